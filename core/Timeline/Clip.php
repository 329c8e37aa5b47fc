<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Reference;

/** Something that is there for a while: a look, a wave, or another timeline. */
final readonly class Clip implements Part, Checked
{
    public const KINDS = ['look', 'wave', 'timeline'];

    /**
     * @param float $at in the timeline's unit
     * @param float $long in the timeline's unit
     * @param Reference|null $plays a look, a wave or a timeline; null for nothing yet
     * @param float $fadeIn seconds, of a look or a wave
     * @param float $fadeOut seconds
     * @param float $from where another timeline begins, in its unit
     * @param bool $loops whether that begins again, as often as there is time
     */
    public function __construct(
        public string $id,
        public float $at,
        public float $long = 4.0,
        public ?Reference $plays = null,
        public float $fadeIn = 0.0,
        public float $fadeOut = 0.0,
        public float $from = 0.0,
        public bool $loops = false,
    ) {
    }

    public static function label(): string
    {
        return 'Clip';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::number('at', 'At', 0.0, Timeline::LONGEST, 0.0),
            Field::number('long', 'Long', 0.001, Timeline::LONGEST, 4.0),
            Field::pointOrNone('plays', 'A look, a wave or a timeline'),
            Field::number('fadeIn', 'Fades in (s)', 0.0, 3600.0, 0.0),
            Field::number('fadeOut', 'Fades out (s)', 0.0, 3600.0, 0.0),
            Field::number('from', 'A timeline begins at', 0.0, Timeline::LONGEST, 0.0)->rare(),
            Field::flag('loops', 'A timeline begins again at its end', false)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->plays !== null && (! \in_array($this->plays->kind, self::KINDS, true) || $this->plays->part !== '')) {
            $fields->fault('plays', "it is {$this->plays->text()}", 'A clip is a look, a wave or a timeline, like look:moss.');
        }
    }

    public function ends(): float
    {
        return $this->at + $this->long;
    }
}
