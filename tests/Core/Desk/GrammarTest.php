<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Desk;

use NimbleJunction\Core\Desk\Desk;
use NimbleJunction\Core\Desk\DeskForm;
use NimbleJunction\Core\Desk\Grammar\FormPattern;
use NimbleJunction\Core\Desk\Grammar\Typed;
use NimbleJunction\Core\Desk\Misread;
use NimbleJunction\Core\Desk\Understood;
use PHPUnit\Framework\TestCase;

/** Random grammars, random lines of them, and random rubbish: what fits is understood as what it was made of, and nothing throws. */
final class GrammarTest extends TestCase
{
    private const WORDS = ['make', 'delete', 'go', 'group', 'light', 'level', 'fade', 'hold', 'label', 'copy'];

    public function testALineMadeOfARandomFormIsUnderstoodWithItsValues(): void
    {
        for ($seed = 1; $seed <= 300; ++$seed) {
            mt_srand($seed);
            $words = self::WORDS;
            shuffle($words);
            // Forms that begin with words of their own are never taken for each other.
            $forms = array_map(self::form(...), \array_slice($words, 0, 3));
            $desk = new Desk('d', 'D', forms: array_map(static fn(array $one): DeskForm => new DeskForm($one[0]), $forms));
            [$pattern, $pieces] = $forms[mt_rand(0, 2)];
            [$line, $values] = self::line($pieces);
            $read = $desk->read($line);
            self::assertInstanceOf(Understood::class, $read, "{$pattern}: {$line}".($read instanceof Misread ? " — {$read->words()}" : ''));
            self::assertSame($values, $read->values, "{$pattern}: {$line}");
            $again = $desk->read($read->line);
            self::assertInstanceOf(Understood::class, $again, 'what it is in full is taken too');
            self::assertSame([$read->line, $read->values], [$again->line, $again->values]);
        }
    }

    public function testAnyBytesAreAnsweredAndNoFormThrows(): void
    {
        $desk = new Desk(
            'd',
            'D',
            forms: [new DeskForm('make cue {cue: 0.1-999.9} [called {name: text}]'), new DeskForm('go [{to: left|right}]')],
        );
        for ($seed = 1; $seed <= 2000; ++$seed) {
            mt_srand($seed);
            $bytes = '';
            for ($i = 0, $count = mt_rand(0, 60); $i < $count; ++$i) {
                $bytes .= mt_rand(0, 2) === 0
                    ? ['make ', 'cue ', '"', '12 ', 'go ', '[', '{a: 1-2}', ' '][mt_rand(0, 7)]
                    : \chr(mt_rand(0, 255));
            }
            $read = $desk->read($bytes);
            self::assertTrue($read instanceof Misread || $desk->read($read->line) instanceof Understood);
            if ($read instanceof Misread) {
                self::assertGreaterThanOrEqual(0, $read->at);
                self::assertNotSame('', $read->problem);
            }
            $pattern = FormPattern::read($bytes);
            self::assertTrue($pattern->problem !== '' || $pattern->pieces !== []);
        }
    }

    public function testWordsStandWhereTheyAreTyped(): void
    {
        $typed = Typed::of('make  cue "Doors  open" "" 12');
        self::assertSame(['make', 'cue', 'Doors  open', '', '12'], array_map(static fn(Typed $one): string => $one->text, $typed));
        self::assertSame([0, 6, 10, 24, 27], array_map(static fn(Typed $one): int => $one->at, $typed));
        self::assertSame([false, false, true, true, false], array_map(static fn(Typed $one): bool => $one->isQuoted, $typed));
        self::assertSame(6, Typed::of('späät x')[1]->at, 'letters are counted, and not bytes');
        self::assertSame(['open'], array_map(static fn(Typed $one): string => $one->text, Typed::of('"open')));
    }

    public function testWhatIsLeftOutIsNothingWhereItIsSent(): void
    {
        $form = new DeskForm('make cue {cue: 1-9} [called {name: text}] [in {time: 0-9}]', 'C{cue} N{name} T{time}');
        $desk = new Desk('d', 'D', forms: [$form]);
        foreach ([
            'make cue 4' => 'C4 N T',
            'make cue 4 in 2' => 'C4 N T2',
            'make cue 4 called "A B" in 2' => 'C4 NA B T2',
        ] as $line => $sent) {
            $read = $desk->read($line);
            self::assertInstanceOf(Understood::class, $read);
            self::assertSame($sent, $read->form->rendered($read));
        }
    }

    /**
     * @return array{string, list<array{string, string, bool}>} a form; and of each piece its kind, its words, and whether it may be left out
     */
    private static function form(string $first): array
    {
        $pieces = [['word', $first, false]];
        for ($i = 0, $count = mt_rand(0, 4); $i < $count; ++$i) {
            $isLeft = mt_rand(0, 3) === 0;
            // What may be left out begins with a word that nothing else begins with.
            if ($isLeft) {
                $pieces[] = ['word', "x{$i}", true];
            }
            $pieces[] = [['number', 'choice', 'text'][mt_rand(0, 2)], "v{$i}", $isLeft];
        }
        $text = '';
        foreach ($pieces as $place => [$kind, $name, $isLeft]) {
            $written = match ($kind) {
                'number' => "{{$name}: 1-500}",
                'choice' => "{{$name}: north|south|east}",
                'text' => "{{$name}: text}",
                default => $name,
            };
            $opens = $isLeft && $kind === 'word';
            $closes = $isLeft && $kind !== 'word';
            $text .= ($place === 0 ? '' : ' ').($opens ? '[' : '').$written.($closes ? ']' : '');
        }

        return [$text, $pieces];
    }

    /**
     * @param list<array{string, string, bool}> $pieces
     *
     * @return array{string, array<string, string>} a line, some words cut short; and its values
     */
    private static function line(array $pieces): array
    {
        $said = $values = [];
        $isSkipped = false;
        foreach ($pieces as [$kind, $name, $isLeft]) {
            if ($kind === 'word' && $isLeft) {
                $isSkipped = mt_rand(0, 1) === 0;
            }
            if ($isLeft && $isSkipped) {
                continue;
            }
            $value = match ($kind) {
                'number' => (string) mt_rand(1, 500),
                'choice' => ['north', 'south', 'east'][mt_rand(0, 2)],
                'text' => 'w'.mt_rand(1, 99).' z',
                default => '',
            };
            if ($kind !== 'word') {
                $values[$name] = $value;
            }
            $said[] = match ($kind) {
                'word' => $name,
                'choice' => substr($value, 0, mt_rand(1, \strlen($value))),
                'text' => "\"{$value}\"",
                default => $value,
            };
        }

        return [implode(' ', $said), $values];
    }
}
