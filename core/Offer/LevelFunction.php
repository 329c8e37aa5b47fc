<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Step\LimitStep;
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Route\Step\SnapStep;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** A point follows: from one of its values to another. */
final readonly class LevelFunction extends Ranged
{
    /**
     * @param float $low what the point is at the first value, in its own unit
     * @param float $high what it is at the last one
     * @param bool $whole whether only whole numbers are set
     */
    public function __construct(
        Reference $point,
        public float $low = 0.0,
        public float $high = 100.0,
        public bool $whole = false,
        int $first = 0,
        ?int $last = null,
        string $name = '',
    ) {
        parent::__construct($point, $first, $last, $name);
    }

    public static function kind(): string
    {
        return 'level';
    }

    public static function label(): string
    {
        return 'A point follows';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::number('low', 'It is, at the first value', -1e9, 1e9, 0.0),
            Field::number('high', 'It is, at the last value', -1e9, 1e9, 100.0),
            Field::flag('whole', 'Whole numbers only', false)->meaning(
                'For switches, which are 0 or 1, and for numbers of cues.',
            ),
            ...self::rangeFields(0),
        ];
    }

    public function isPressed(): bool
    {
        return false;
    }

    public function fromSlots(int $highest): array
    {
        return $this->scaled($this->first, $this->last($highest));
    }

    public function fromOsc(): array
    {
        return [new LimitStep(min($this->low, $this->high), max($this->low, $this->high)), ...$this->rounded()];
    }

    public function fromController(int $highest): array
    {
        return $this->scaled(0, $highest);
    }

    public function actions(): array
    {
        return [new SetAction($this->point)];
    }

    public function argument(): string
    {
        $kind = $this->whole ? 'whole number' : 'number';

        return "{$kind} from ".Template::number(min($this->low, $this->high)).' to '.Template::number(max($this->low, $this->high));
    }

    public function words(Wording $wording): string
    {
        return $wording->point($this->point->text()).' from '.Template::number($this->low).' to '.Template::number($this->high);
    }

    /** @return list<Step> */
    private function scaled(int $first, int $last): array
    {
        return [new ScaleStep([(float) $first, (float) $last], [$this->low, $this->high]), ...$this->rounded()];
    }

    /** @return list<Step> */
    private function rounded(): array
    {
        return $this->whole ? [new SnapStep(1.0)] : [];
    }
}
