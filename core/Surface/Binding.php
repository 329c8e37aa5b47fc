<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Universe\Curve;

/** A point that a control moves, with a range of its own. */
final readonly class Binding implements Part, Checked
{
    /** Where a document names none: it is refused then. */
    private const NOWHERE = 'value:none';

    public Reference $point;

    /**
     * @param float|null $low where the control is at its lower end, in the point's unit; null for the point's own minimum
     * @param float|null $high the same at its upper end; it may lie below: then the control is turned round
     */
    public function __construct(
        ?Reference $point,
        public ?float $low = null,
        public ?float $high = null,
        public Curve $curve = Curve::Linear,
    ) {
        $this->point = $point ?? Reference::parse(self::NOWHERE) ?? throw new \LogicException(self::NOWHERE);
    }

    public static function label(): string
    {
        return 'Point that it moves';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::number('low', 'Minimum', -1e9, 1e9, null, false)->meaning(
                'In the unit of the point; empty for the point\'s own. A minimum above the maximum turns the control round.',
            ),
            Field::number('high', 'Maximum', -1e9, 1e9, null, false),
            Field::choice('curve', 'Curve', Curve::class, Curve::Linear)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->low !== null && $this->low === $this->high) {
            $fields->fault('high', "both ends are {$this->low}", 'Let minimum and maximum differ.');
        }
        if ($this->point->kind === 'surface') {
            $fields->fault(
                'point',
                'it is a control of a surface',
                'Controls stay together by moving the same point: name what that one moves.',
            );
        }
    }

    /**
     * @param float $share of its way, 0 to 1
     *
     * @return float in the point's unit
     */
    public function value(float $share, Point $point): float
    {
        [$low, $high] = $this->ends($point);
        $way = $this->curve->apply(max(0.0, min(1.0, $share)));

        return $low + ($high - $low) * $way;
    }

    /** @return float|null how far along its way a value is, 0 to 1; null where the point has no number now */
    public function share(int|float|string|null $value, Point $point): ?float
    {
        if (! is_numeric($value)) {
            return null;
        }
        [$low, $high] = $this->ends($point);
        $way = $high === $low ? 0.0 : ((float) $value - $low) / ($high - $low);

        return $this->curve->undo(max(0.0, min(1.0, $way)));
    }

    /** @return array{float, float} in the point's unit */
    public function ends(Point $point): array
    {
        return [$this->low ?? $point->low, $this->high ?? $point->high];
    }
}
