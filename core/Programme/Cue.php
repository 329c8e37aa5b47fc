<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Field\PartOfKind;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Route\Action;

/** One step of a cue list: a look, or values, with the times in which they come. */
final readonly class Cue implements Part
{
    /** As the trade numbers cues: 1, 2, 2.5, 101 (common practice, no source). */
    public const PATTERN = '#^(?:0|[1-9]\d{0,4})(?:\.\d{1,3})?$#D';
    public const RULE = 'Use a number like 1, 2.5 or 101, with up to three digits behind the point.';

    /**
     * @param string $look id; '' for none
     * @param list<PointValue> $values besides, and above those of the look
     * @param float|null $up seconds; null for the common fade time
     * @param float|null $down seconds; null for the same as up
     * @param list<KindTime> $kinds
     * @param bool $assert whether it takes again what goes on from earlier cues
     * @param bool $block whether nothing goes on from earlier cues
     * @param list<Action> $do what happens besides
     * @param string $note for the operator; '' for none
     */
    public function __construct(
        public string $number,
        public string $name = '',
        public string $look = '',
        public array $values = [],
        public ?float $up = null,
        public ?float $down = null,
        public float $delay = 0.0,
        public array $kinds = [],
        public ?Follow $follow = null,
        public bool $assert = false,
        public bool $block = false,
        public array $do = [],
        public string $note = '',
    ) {
    }

    public static function label(): string
    {
        return 'Cue';
    }

    public static function fields(): array
    {
        return [
            Field::pattern('number', 'Number', self::PATTERN, self::RULE),
            Field::textOrNone('name', 'Name', 120),
            new Id('look', 'Look', 'look', false),
            Field::number('up', 'Up (s); empty for the common fade time', 0.0, Times::LONGEST, null, false),
            Field::number('down', 'Down (s); empty for the same', 0.0, Times::LONGEST, null, false),
            Field::number('delay', 'Delay (s)', 0.0, Times::LONGEST, 0.0),
            new PartOfKind('follow', 'The next one follows', 'follow', false),
            Field::textOrNone('note', 'Note for the operator', 500),
            Field::objects('values', 'Values, besides those of the look', PointValue::class, 20000)->rare(),
            Field::objects('kinds', 'Times by kind', KindTime::class, 6)->rare(),
            Field::flag('assert', 'Assert', false)
                ->meaning('In a tracking list: it takes again what goes on from earlier cues, from whoever has it now.')
                ->rare(),
            Field::flag('block', 'Block', false)->meaning('In a tracking list: nothing goes on from earlier cues.')->rare(),
            Field::parts('do', 'Besides, at its go', 'action')->rare(),
        ];
    }

    /** @param float $common seconds, where it has no time of its own */
    public function times(float $common): Times
    {
        $up = $this->up ?? $common;

        return new Times($up, $this->down ?? $up, $this->delay, $this->kinds);
    }

    /** @return int -1, 0 or 1, as numbers are compared: 2.5 stands before 10 */
    public static function compare(string $a, string $b): int
    {
        return (float) $a <=> (float) $b;
    }
}
