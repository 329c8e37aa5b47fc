<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Live;

use NimbleJunction\Core\Live\Echoes;
use NimbleJunction\Core\Live\Firings;
use NimbleJunction\Core\Live\Switches;
use NimbleJunction\Core\State\Stored;
use PHPUnit\Framework\TestCase;

/** What is remembered of routes: what they have sent, how often they have acted, whether they are switched on. */
final class EchoesTest extends TestCase
{
    private const SECOND = 1_000_000_000;

    public function testWhatWasSentIsOursForASecond(): void
    {
        $echoes = new Echoes();
        $echoes->sent("\x90\x3c\x40", 5 * self::SECOND);
        self::assertTrue($echoes->isOurs("\x90\x3c\x40", 5 * self::SECOND));
        self::assertTrue($echoes->isOurs("\x90\x3c\x40", 6 * self::SECOND - 1));
        self::assertFalse($echoes->isOurs("\x90\x3c\x40", 6 * self::SECOND));
        self::assertFalse($echoes->isOurs("\x90\x3c\x41", 5 * self::SECOND), 'another one is not');
        $echoes->sent("\x90\x3c\x40", 7 * self::SECOND);
        self::assertTrue($echoes->isOurs("\x90\x3c\x40", 7 * self::SECOND + 1), 'sent again');
    }

    public function testOfTooManyTheOldestIsForgotten(): void
    {
        $echoes = new Echoes();
        for ($i = 0; $i < 256; ++$i) {
            $echoes->sent("message {$i}", $i);
        }
        $echoes->sent('message 0', 300);
        $echoes->sent('one more', 301);
        self::assertTrue($echoes->isOurs('message 0', 302), 'it was sent again, so it is not the oldest');
        self::assertFalse($echoes->isOurs('message 1', 302));
        self::assertTrue($echoes->isOurs('message 2', 302));
    }

    public function testARouteIsCountedBySeconds(): void
    {
        $echoes = new Echoes();
        self::assertSame([1, 2, 1], [$echoes->count('a', 10), $echoes->count('a', 20), $echoes->count('b', 30)]);
        self::assertSame(1, $echoes->count('a', self::SECOND), 'another second');
        $echoes->keep(['a' => true]);
        self::assertSame(
            [2, 1],
            [$echoes->count('a', self::SECOND + 1), $echoes->count('b', self::SECOND + 1)],
            'what is gone begins anew',
        );
    }

    public function testFiringsAndSwitchesAreKeptOfRoutesThatAreThere(): void
    {
        $said = ['a' => true, '7' => false];
        $firings = new Firings();
        $switches = new Switches('switched');
        $switches->adopt($said);
        foreach (['a', 'a', '7', 'gone'] as $id) {
            $firings->add($id, 7);
            $switches->turn($id, $id !== 'a');
        }
        $firings->keep($said);
        self::assertSame([2, 1, 0], array_map($firings->of(...), ['a', '7', 'gone']));
        self::assertSame(['a' => false, 7 => true], $switches->all());
        $again = [new Firings(), new Switches('switched')];
        $kept = static fn(Firings|Switches $room): Stored => new Stored(
            array_combine(
                array_keys($room->revisions()),
                array_map(static fn(string|int $part): mixed => $room->kept((string) $part, 0), array_keys($room->revisions())),
            ),
        );
        $again[0]->restore($kept($firings), ['a', '7']);
        $again[1]->adopt($said);
        $again[1]->restore($kept($switches));
        self::assertSame([2, 1], [$again[0]->of('a'), $again[0]->of('7')]);
        self::assertSame(['a' => false, 7 => true], $again[1]->all());
        $again[0]->restore(new Stored(['a' => -1, '7' => 'often', 'x' => 9]), ['a', '7']);
        self::assertSame([0, 0, 0], array_map($again[0]->of(...), ['a', '7', 'x']), 'rubbish is nothing');
    }

    public function testASwitchEndsWhenItSaysWhatTheShowSaysOrTheShowSaysSomethingElse(): void
    {
        $switches = new Switches('switched');
        $switches->adopt(['a' => true, 'b' => true, 'c' => false]);
        $switches->turn('a', false);
        $switches->turn('b', false);
        $switches->turn('b', true);
        $switches->turn('c', true);
        self::assertSame(['a' => false, 'c' => true], $switches->all(), 'b is as the show says');
        $switches->adopt(['a' => true, 'b' => false, 'c' => true]);
        self::assertSame(['a' => false], $switches->all(), 'c: the show says the same now');
        self::assertSame(
            [false, true, false],
            [$switches->isOn('a', true), $switches->isOn('b', true), $switches->isOn('x', false)],
        );
        $switches->adopt(['b' => false]);
        $switches->adopt(['a' => true]);
        self::assertSame([], $switches->all(), 'what is gone is forgotten');
    }
}
