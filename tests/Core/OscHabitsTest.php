<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Port\Agenda;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Bundle;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\TimeTag;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** OSC 1.0 as it arrives at a port: address patterns, and bundles with their times. */
final class OscHabitsTest extends TestCase
{
    /** Midday of 25 November 2026, UTC, in seconds since 1970. */
    private const NOON = 1_795_608_000;

    /** @return iterable<string, array{string, list<int>}> address pattern, and the slots that it sets */
    public static function patterns(): iterable
    {
        // OSC 1.0, "OSC Message Dispatching and Pattern Matching": its five rules, each inside one part of the address.
        yield 'one character' => ['/lamp/?', [1, 2, 3]];
        yield 'any run' => ['/lamp/*', [1, 2, 3, 4]];
        yield 'a set' => ['/lamp/[ab]', [1, 2]];
        yield 'a range' => ['/lamp/[b-c]', [2, 3]];
        yield 'not in a set' => ['/lamp/[!a]', [2, 3]];
        yield 'one of several words' => ['/lamp/{a,spot}', [1, 4]];
        yield 'across a part: never' => ['/*', []];
        yield 'two at once' => ['/{lamp,laser}/[a-b]', [1, 2, 5]];
        yield 'a bracket that is not closed' => ['/lamp/[ab', []];
        yield 'no pattern' => ['/lamp/a', [1]];
    }

    /** @param list<int> $slots */
    #[DataProvider('patterns')]
    public function testAnAddressPatternReachesEveryAddressItStandsFor(string $pattern, array $slots): void
    {
        $rig = $this->rig();
        $rig->osc($pattern, 1.0);
        self::assertSame(
            $slots,
            array_values(array_filter(range(1, 5), static fn(int $slot): bool => $rig->level($slot) === 255)),
        );
    }

    /** OSC 1.0, "Temporal Semantics": a bundle whose time is to come waits for it, one whose time is past is done at once. */
    public function testABundleWaitsForItsTime(): void
    {
        $rig = $this->rig();
        $rig->junction->setClock(self::NOON * 1_000_000_000, $rig->nanos());
        $this->bundle($rig, 2.0, '/lamp/a', '/lamp/b');
        self::assertSame([0, 0], $rig->levelsOf(1, 2));
        $rig->pass(1.99);
        self::assertSame([0, 0], $rig->levelsOf(1, 2));
        $rig->pass(0.02);
        self::assertSame([255, 255], $rig->levelsOf(1, 2), 'both together');
        $this->bundle($rig, -5.0, '/lamp/c');
        self::assertSame(255, $rig->level(3), 'past: at once');
        $inner = new Bundle(TimeTag::atUnixNanos((int) ((self::NOON + 3) * 1e9)), [new Message('/laser/a', [Argument::of(1.0)])]);
        $rig->arrive(
            Rig::OSC,
            (new Bundle(TimeTag::immediately(), [new Message('/lamp/spot', [Argument::of(1.0)]), $inner]))->encode(),
        );
        self::assertSame([255, 0], $rig->levelsOf(4, 5), 'each bundle has its own time, also one in another');
        $rig->pass(1.1);
        self::assertSame(255, $rig->level(5));
    }

    public function testATimeTooFarOffIsRefusedAndSaid(): void
    {
        $rig = $this->rig();
        $rig->junction->setClock(self::NOON * 1_000_000_000, $rig->nanos());
        $this->bundle($rig, 3600.0, '/lamp/a');
        $rig->pass(3700.0);
        self::assertSame(0, $rig->level(1));
        self::assertSame(1, $rig->junction->activity('tablet')->refused);
        self::assertStringContainsString(
            'its time tag is 3600 s ahead, and at most '.intdiv(Agenda::FURTHEST_NANOS, 1_000_000_000).' s are waited for',
            implode("\n", $rig->allHops()),
        );
    }

    public function testWhatWaitsIsDroppedWithItsPortAndNeverWithoutEnd(): void
    {
        $rig = $this->rig();
        $rig->junction->setClock(self::NOON * 1_000_000_000, $rig->nanos());
        for ($i = 0; $i < 5000; ++$i) {
            $this->bundle($rig, 30.0, '/lamp/a');
        }
        self::assertSame(5000 - 4096, $rig->junction->activity('tablet')->refused);
        $rig->adopt(['ports' => \array_slice(Rig::document()['ports'], 0, 2), 'routes' => []]);
        $rig->pass(31.0);
        self::assertSame(0, $rig->level(1));
    }

    /** Somebody who connects later is told what is shown: TCP, network MIDI, a cable. */
    public function testWhoeverJoinsIsToldWhatIsShown(): void
    {
        $rig = new Rig();
        $rig->sacn([5 => 51]);
        $rig->pass(1.0);
        self::assertSame([], array_filter($rig->pass(1.0), static fn(array $one): bool => $one[1]->port === 9000));
        $told = array_values(
            array_filter($rig->junction->joined(Rig::OSC, $rig->nanos()), static fn($one): bool => $one->port === 9000),
        );
        self::assertCount(1, $told);
        self::assertSame(0.2, round((float) Message::decode($told[0]->bytes)->arguments[0]->value, 4));
        self::assertSame([], $rig->junction->joined('osc 127.0.0.1:1', $rig->nanos()), 'elsewhere nothing');
    }

    private function bundle(Rig $rig, float $seconds, string ...$addresses): void
    {
        $messages = array_map(
            static fn(string $address): Message => new Message($address, [Argument::of(1.0)]),
            array_values($addresses),
        );
        $rig->arrive(
            Rig::OSC,
            (new Bundle(TimeTag::atUnixNanos((int) ((self::NOON + $seconds) * 1e9)), $messages))->encode(),
            '127.0.0.15',
        );
    }

    private function rig(): Rig
    {
        $routes = [];
        foreach (['/lamp/a', '/lamp/b', '/lamp/c', '/lamp/spot', '/laser/a'] as $i => $address) {
            $routes[] = [
                'id' => "route-{$i}",
                'name' => "Route {$i}",
                'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => $address],
                'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => $i + 1],
            ];
        }

        return new Rig(['routes' => $routes]);
    }
}
