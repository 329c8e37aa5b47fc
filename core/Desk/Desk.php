<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk;

use NimbleJunction\Core\Desk\Grammar\Matching;
use NimbleJunction\Core\Desk\Grammar\Piece;
use NimbleJunction\Core\Desk\Grammar\Typed;
use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Message\MessageAddress;

/** Another program that takes typed lines, by OSC or System Exclusive: which lines, and how they are sent. */
final readonly class Desk implements Part, Checked
{
    public const MOST = 50;
    public const LONGEST_LINE = 500;
    private const MOST_FORMS = 200;
    private const WAYS = ['osc', 'sysex'];
    private const ADDRESS = '/line';
    private const HEX = '#^(?:[0-7][0-9A-Fa-f]\s*)*\{line\}(?:\s*[0-7][0-9A-Fa-f])*$#D';

    /** Words that are as near as that may have been meant. */
    private const NEAR = 2;

    /**
     * @param string $port id of the one where it is
     * @param string $way osc or sysex
     * @param string $address OSC address, with values of the line in braces; '' for /line
     * @param list<string> $arguments with values in braces; none for what the form sends
     * @param string $bytes of System Exclusive in hexadecimal between F0 and F7, with {line} for its text
     * @param float $pause seconds from one line to the next, where several are sent
     * @param list<DeskForm> $forms
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $port = '',
        public string $way = 'osc',
        public string $address = '',
        public array $arguments = [],
        public string $bytes = '7D {line}',
        public float $pause = 0.2,
        public array $forms = [],
        public string $note = '',
    ) {
    }

    public static function label(): string
    {
        return 'Desk';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::port('port', 'At port'),
            Field::word('way', 'It is sent lines by', self::WAYS, 'osc')->called(['osc' => 'OSC', 'sysex' => 'System Exclusive']),
            Field::textOrNone('address', 'OSC address; empty for /line', 200)
                ->shownFor('way', 'osc')
                ->meaning('Values of the line stand in it in braces: /desk/cue/{cue}.'),
            (new TextList('arguments', 'OSC arguments; none for the line', 20, 200))->shownFor('way', 'osc'),
            Field::text('bytes', 'Bytes between F0 and F7, with {line}', '7D {line}', 200)->shownFor('way', 'sysex'),
            Field::number('pause', 'Pause between lines (s)', 0.0, 60.0, 0.2),
            Field::objects('forms', 'Lines that it takes', DeskForm::class, self::MOST_FORMS),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        $example = (string) preg_replace('#\{[a-z0-9-]+\}#', '1', $this->oscAddress());
        if ($this->way === 'osc' && preg_match(MessageAddress::PATTERN, $example) !== 1) {
            $fields->fault('address', "it is {$this->address}", MessageAddress::RULE);
        }
        if ($this->way === 'sysex' && preg_match(self::HEX, $this->bytes) !== 1) {
            $fields->fault(
                'bytes',
                "it is {$this->bytes}",
                'Use bytes from 00 to 7F in hexadecimal, with spaces between, and {line} once.',
            );
        }
    }

    public function oscAddress(): string
    {
        return $this->address === '' ? self::ADDRESS : $this->address;
    }

    /** A line is understood, and said in full; or it is said where it is wrong. Nothing is guessed. */
    public function read(string $line): Understood|Misread
    {
        $typed = Typed::of($line);
        if ($typed === [] || mb_strlen($line) > self::LONGEST_LINE) {
            return new Misread(
                0,
                $typed === [] ? 'There is nothing in it' : 'It is longer than '.self::LONGEST_LINE.' letters',
                $this->begins(),
            );
        }
        /** @var array<string, Understood> $found by the whole line */
        $found = [];
        $farthest = 0;
        $expected = [];
        foreach ($this->forms as $form) {
            $matching = new Matching($form->pattern, $typed);
            foreach ($matching->ways as [$whole, $values]) {
                $found[$whole] ??= new Understood($form, $whole, $values);
            }
            if ($matching->farthest > $farthest) {
                [$farthest, $expected] = [$matching->farthest, []];
            }
            $expected = $matching->farthest === $farthest ? [...$expected, ...$matching->expected] : $expected;
        }
        if (\count($found) === 1) {
            return reset($found);
        }
        $exact = array_filter($found, static fn(Understood $one): bool => self::isSame($one->line, $line));

        return match (true) {
            \count($exact) === 1 => reset($exact),
            $found !== [] => new Misread(
                0,
                'It could be '.implode(' or ', array_map(static fn(Understood $one): string => $one->line, \array_slice(array_values($found), 0, 4))),
                'more letters of its words',
            ),
            default => $this->misread($typed, $farthest, $expected, $line),
        };
    }

    /**
     * @param list<Typed> $typed
     * @param list<Piece> $expected
     */
    private function misread(array $typed, int $place, array $expected, string $line): Misread
    {
        $allowed = implode('; or ', array_unique(array_map(static fn(Piece $piece): string => $piece->allowed(), $expected)));
        $wrong = $typed[$place] ?? null;
        if ($wrong === null) {
            return new Misread(mb_strlen($line), 'More is needed', $allowed);
        }
        $problem = $allowed === '' ? "Nothing stands behind that: \"{$wrong->text}\"" : "\"{$wrong->text}\" cannot stand there";
        $meant = self::nearest(
            $wrong->text,
            array_merge(...array_map(static fn(Piece $piece): array => $piece->words(), $expected)),
        );

        return new Misread(
            $wrong->at,
            $problem,
            $allowed,
            $meant === '' ? '' : mb_substr($line, 0, $wrong->at).$meant.mb_substr($line, $wrong->at + mb_strlen($wrong->text)),
        );
    }

    /** @param list<string> $words */
    private static function nearest(string $text, array $words): string
    {
        $best = '';
        $nearest = self::NEAR + 1;
        foreach ($words as $word) {
            $far = \strlen($text) < 60 ? levenshtein(mb_strtolower($text), mb_strtolower($word)) : self::NEAR + 1;
            if ($far < $nearest && $far < mb_strlen($word)) {
                [$best, $nearest] = [$word, $far];
            }
        }

        return $best;
    }

    private static function isSame(string $whole, string $line): bool
    {
        $plain = static fn(string $text): array => array_map(
            static fn(Typed $one): string => mb_strtolower($one->text),
            Typed::of($text),
        );

        return $plain($whole) === $plain($line);
    }

    private function begins(): string
    {
        $firsts = array_map(
            static fn(DeskForm $form): string => ($form->pattern->pieces[0] ?? null) instanceof Piece
                ? $form->pattern->pieces[0]->allowed()
                : '',
            $this->forms,
        );

        return implode(', ', array_unique(array_filter($firsts, static fn(string $first): bool => $first !== '')));
    }
}
