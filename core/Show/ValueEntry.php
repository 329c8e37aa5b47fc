<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;

/** A value of the show's own: a switch, a number, a choice or a text that routes and people set and read. */
final readonly class ValueEntry implements Part, Checked
{
    private const TYPES = ['switch', 'number', 'choice', 'text'];
    private const LONGEST = 200;
    private const FAR = 1e9;

    /** What it is at first: 0 or 1 for a switch. */
    public int|float|string $start;

    /** Whether it is what it was after a restart. */
    public bool $isKept;

    /**
     * @param string $type switch, number, choice or text
     * @param bool|float|string|null $start null where the document does not say
     * @param list<string> $choices of a choice
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $type,
        bool $kept,
        bool|float|string|null $start = null,
        public float $low = 0.0,
        public float $high = 1.0,
        public array $choices = [],
    ) {
        $this->isKept = $kept;
        $this->start = match ($type) {
            'number' => \is_float($start) ? $start : $low,
            'choice' => \is_string($start) && $start !== '' ? $start : $choices[0] ?? '',
            'text' => (string) $start,
            default => (int) $start,
        };
    }

    public static function label(): string
    {
        return 'Value';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::word('type', 'It is a', self::TYPES, 'switch'),
            Field::number('low', 'Lowest', -self::FAR, self::FAR, 0.0)->only('type', 'number'),
            Field::number('high', 'Highest', -self::FAR, self::FAR, 100.0)->only('type', 'number'),
            (new TextList('choices', 'Choices', 100, self::LONGEST))->only('type', 'choice'),
            Field::flag('start', 'On at first', false)->only('type', 'switch')->meaning('What it is at first.'),
            Field::number(
                'start',
                'At first',
                -self::FAR,
                self::FAR,
                null,
                false,
            )->only('type', 'number')->meaning('What it is at first.'),
            Field::textOrNone('start', 'At first', self::LONGEST)
                ->only('type', 'choice', 'text')
                ->meaning('What it is at first.'),
            Field::flag('kept', 'Kept over a restart', true)->meaning('Whether it is what it was after a restart.'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->type === 'number' && $this->low > $this->high) {
            $fields->fault('high', "it is {$this->high}, and the lowest is {$this->low}", 'The highest is at least the lowest.');
        } elseif ($this->type === 'number') {
            $fields->within('start', $this->low, $this->high, $this->low);
        }
        if ($this->type === 'choice' && $this->choices === []) {
            $fields->fault('choices', 'there are none', 'Name at least one choice.');
        } elseif ($this->type === 'choice') {
            $fields->word('start', $this->choices, $this->choices[0]);
        }
    }
}
