<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Route\AddressPattern;
use NimbleJunction\Core\Route\ExclusiveTemplate;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Send\OscWords;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Trigger\OscTrigger;
use NimbleJunction\Core\Wire\Osc\Pattern;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Texts with gaps: what they take of what arrives, and what they are filled with. */
final class TemplatesTest extends TestCase
{
    /** @return iterable<string, array{string, string, array<int|string, string>|null}> OSC 1.0, "Pattern Matching" (from memory) */
    public static function addresses(): iterable
    {
        yield 'a name' => ['/cue/{number}/go', '/cue/12/go', [1 => '12', 'number' => '12']];
        yield 'nothing is no name' => ['/cue/{number}/go', '/cue//go', null];
        yield 'a name never holds a slash' => ['/cue/{number}', '/cue/1/2', null];
        yield 'two names' => ['/{what}/{number}', '/cue/7', [1 => 'cue', 'what' => 'cue', 2 => '7', 'number' => '7']];
        yield 'a name among letters' => ['/fader{n}', '/fader12', [1 => '12', 'n' => '12']];
        yield 'wildcards by their numbers' => ['/a*/?', '/abc/x', [1 => 'bc', 2 => 'x']];
        yield 'either' => ['/{on,off}/{n}', '/off/3', [1 => 'off', 2 => '3', 'n' => '3']];
        yield 'neither' => ['/{on,off}/{n}', '/of/3', null];
        yield 'one of some letters' => ['/x[0-4]', '/x3', [1 => '3']];
        yield 'none of some letters' => ['/x[!0-4]', '/x3', null];
    }

    /** @param array<int|string, string>|null $taken */
    #[DataProvider('addresses')]
    public function testAPatternTakesParts(string $pattern, string $address, ?array $taken): void
    {
        self::assertSame($taken, (new AddressPattern($pattern))->taken($address));
    }

    /** What a pattern takes, put in its place again, is the address; the matcher of OSC says when. */
    public function testWhatIsTakenIsWhatWasThere(): void
    {
        mt_srand(5);
        $fits = 0;
        for ($i = 0; $i < 3000; ++$i) {
            $pieces = array_map(static fn(): string => ['a', 'b', '/', '?', '*', '[ab]', '{a,ab}'][mt_rand(0, 6)], range(1, mt_rand(1, 7)));
            $text = '/'.implode('', $pieces);
            $address = '/'.implode('', array_map(static fn(): string => ['a', 'b', '/'][mt_rand(0, 2)], range(1, mt_rand(1, 6))));
            $taken = Pattern::of($text)->taken($address);
            self::assertSame(Pattern::of($text)->matches($address), $taken !== null, "{$text} {$address}");
            if ($taken !== null) {
                ++$fits;
                $parts = $taken;
                $filled = preg_replace_callback('/\{[^}]*\}|\[[^]]*\]|[?*]/', static function () use (&$parts): string {
                    return (string) array_shift($parts);
                }, $text);
                self::assertSame($address, $filled, $text);
            }
        }
        self::assertGreaterThan(50, $fits);
    }

    public function testAPatternOfManyStarsIsNoTrap(): void
    {
        $pattern = new AddressPattern('/'.str_repeat('*a', 90).'*b');
        self::assertNull($pattern->taken('/'.str_repeat('a', 398)));
        self::assertNull($pattern->taken('/'.str_repeat('a', 5000).'b'), 'longer than any address');
    }

    public function testWhatWasTakenGoesIntoWhatIsSent(): void
    {
        $rig = new Rig(['ports' => Rig::document()['ports'], 'routes' => [
            [
                'id' => 'r',
                'name' => 'R',
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/list/{list}/{cue}/*', 'takes' => 'message'],
                'if' => [['kind' => 'arrived', 'name' => 'cue', 'low' => 2, 'high' => 20]],
                'steps' => [['kind' => 'arrived', 'name' => 'cue'], ['kind' => 'scale', 'from' => [0, 20], 'to' => [0, 1]]],
                'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => [
                    'kind' => 'osc',
                    'address' => '/go/{list}/{3}',
                    'arguments' => [['kind' => 'text', 'text' => 'cue {cue} at {value}'], ['kind' => 'float']],
                ]]],
            ],
            [
                'id' => 'exact',
                'name' => 'Exact',
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/list/a/10/go'],
                'do' => [['kind' => 'set', 'point' => 'slot:palm/9', 'value' => 7]],
            ],
        ]]);
        $rig->osc('/list/a/10/go', 1.0);
        self::assertContains('sent: Tablet sent /go/a/go "cue 10 at 0.5" 0.5 to 127.0.0.15:9000', $rig->hops('message'));
        self::assertSame(7, $rig->level(9), 'a route at that very address runs as well');
        $rig->osc('/list/a/40/go', 1.0);
        self::assertContains('nearly: "R" wants its cue to be at most 20, it is 40', $rig->hops('message'));
    }

    /** @return iterable<string, array{OscTrigger, list<int|float|string>, float|string}> */
    public static function arguments(): iterable
    {
        yield 'any text' => [new OscTrigger('p', '/a', takes: 'text'), ['hello'], 1.0];
        yield 'a text that is a number' => [new OscTrigger('p', '/a', takes: 'text'), ['12.5'], 12.5];
        yield 'no text' => [new OscTrigger('p', '/a', takes: 'text'), [3], 'wants a text as argument 1, it is the number 3'];
        yield 'only that it came' => [new OscTrigger('p', '/a', takes: 'message'), ['x', 'y'], 1.0];
        yield 'the right types' => [new OscTrigger('p', '/a', 2, types: 'sf'), ['x', 0.5], 0.5];
        yield 'other types' => [new OscTrigger('p', '/a', 2, types: 'sf'), ['x', 1], 'wants the types sf, it has si'];
        yield 'no arguments' => [new OscTrigger('p', '/a', 2, types: 'sf'), [], 'wants the types sf, it has no arguments'];
    }

    /** @param list<int|float|string> $arguments */
    #[DataProvider('arguments')]
    public function testWhatOscTriggersTake(OscTrigger $trigger, array $arguments, float|string $expected): void
    {
        $answer = $trigger->take(new Heard('p', Osc::of('/a', $arguments)));
        self::assertSame($expected, $answer instanceof Taken ? $answer->value : ($answer instanceof Missed ? $answer->reason : null));
    }

    /** @return iterable<string, array{string, string, array<string, int|string>|string}> bytes by MIDI 1.0, "System Exclusive" (from memory) */
    public static function exclusives(): iterable
    {
        yield 'plain' => ['F0 7D 01', 'f07d01f7', []];
        yield 'another byte' => ['F0 7D 01', 'f07d02f7', 'waits for 01 as byte 3, it is 02'];
        yield 'too short' => ['F0 7D 01 02', 'f07d01', 'waits for 02 as byte 4, it is shorter'];
        yield 'a gap' => ['F0 7D {cue} F7', 'f07d0cf7', ['cue' => 12]];
        yield 'nothing in the gap' => ['F0 7D {cue} F7', 'f07df7', 'has nothing for {cue} at byte 3'];
        yield 'half of 14 bits' => ['F0 7D {level:14}', 'f07d01f7', 'has nothing for {level} at byte 3'];
        yield 'a text up to the next gap' => ['F0 7D {name:text}', 'f07d446f6f7273f7', ['name' => 'Doors']];
        yield 'half a byte' => ['F0 4? 1', 'f0471ff7', []];
    }

    /** @param array<string, int|string>|string $expected */
    #[DataProvider('exclusives')]
    public function testWhatATemplateTakes(string $template, string $hex, array|string $expected): void
    {
        self::assertSame($expected, (new ExclusiveTemplate($template))->taken($hex));
    }

    public function testWhatATemplateIsFilledWithItTakesAgain(): void
    {
        foreach (['7' => 127, '14' => 16383, '14-low-first' => 16383] as $width => $highest) {
            $template = new ExclusiveTemplate('F0 7D {n'.($width === 7 ? '' : ":{$width}").'} F7');
            for ($value = 0; $value <= $highest; ++$value) {
                $bytes = $template->filled(static fn(): int => $value);
                self::assertSame(['n' => $value], $template->taken(bin2hex($bytes)));
            }
        }
        $text = new ExclusiveTemplate('F0 7D {n:text} F7');
        self::assertSame(
            'f07d433f3ff7',
            bin2hex($text->filled(static fn(): string => 'Cé')),
            'what has no place in 7 bits is a question mark',
        );
    }

    public function testATemplateThatCannotBeSaysWhy(): void
    {
        foreach ([
            '' => 'there is nothing',
            'zz' => '"zz" is no byte and no gap',
            'F0 {Cue:9} F7' => '"{cue:9}f7" is no byte and no gap',
            'F0 7D' => 'it does not run from F0 to F7',
            'F0 80 F7' => 'between F0 and F7 are bytes up to 7F only',
            'F0 ?? F7' => '"?" stands for no byte that could be sent',
            'F0 {value} F7' => '',
        ] as $text => $problem) {
            self::assertSame($problem, (new ExclusiveTemplate($text))->problemToSend(), $text);
        }
    }

    public function testTheValueIsWhatBecameOfIt(): void
    {
        $event = new Heard('p', new Note(3, 60, 99));
        self::assertSame('3 60 99 0.5 {none}', Template::fill('{channel} {note} {velocity} {value} {none}', 0.5, $event));
    }

    /** OSC 1.0, "OSC Address Spaces": space # * , / ? [ ] { } have no place in a name (from memory). */
    public function testAnAddressThatIsSentHasEveryCharacterThatItMayHave(): void
    {
        for ($byte = 0; $byte < 256; ++$byte) {
            $character = \chr($byte);
            $isAllowed = $byte > 32 && $byte < 127 && ! str_contains('#*,?[]{}', $character);
            self::assertSame('/a'.($isAllowed ? $character : '_').'b', OscWords::address("/a{$character}b"), "byte {$byte}");
        }
        self::assertSame('/go', OscWords::address('go'));
    }
}
