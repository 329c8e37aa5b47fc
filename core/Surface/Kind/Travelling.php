<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\NumberList;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Surface\Binding;
use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** What goes a way from one end to the other: a fader, a knob. */
abstract readonly class Travelling implements ControlKind
{
    /** How near a detent draws, as a share of the way. Our own choice. */
    private const NEAR = 0.02;

    private const TAKE_OVER = ['jump', 'pick-up', 'scaled'];

    private const TITLES = [
        'jump' => 'jumps to the finger',
        'pick-up' => 'waits until the finger meets the value',
        'scaled' => 'goes along with the finger, from where it is',
    ];

    /**
     * @param list<Binding> $points
     * @param float|null $step in the unit of the first point; null for none
     * @param list<float> $detents places that it is drawn to, in per cent of its way
     * @param string $takeOver jump, pick-up or scaled
     */
    public function __construct(
        public array $points = [],
        public ?float $step = null,
        public array $detents = [],
        public string $takeOver = 'scaled',
    ) {
    }

    /** @return list<Field> */
    protected static function travel(): array
    {
        return [
            Field::objects('points', 'Points', Binding::class, 32),
            Field::word('takeOver', 'When somebody touches it', self::TAKE_OVER, 'scaled')->called(self::TITLES),
            Field::number('step', 'Steps of, in the unit of the first point; empty for none', 0.0001, 1e9, null, false)->rare(),
            (new NumberList('detents', 'Detents, in per cent of its way', 16, 0.0, 100.0, false))->rare(),
        ];
    }

    public function axes(): array
    {
        return ['' => $this->points];
    }

    public function others(): array
    {
        return [];
    }

    public function parts(): array
    {
        return ['' => PointKind::Level];
    }

    /** @param int|float|string $value per cent of its way */
    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        if (! is_numeric($value)) {
            return 'it goes from 0 to 100 per cent of its way';
        }

        return $hand->bring($this->points, '', $this->settled((float) $value / 100, $hand));
    }

    public function press(string $part, Hand $hand): string
    {
        return 'it can be moved, not pressed';
    }

    public function shown(Hand $hand): Shown
    {
        $at = $hand->at($this->points, '');
        $first = $this->points[0] ?? null;
        $text = $first === null ? round(100 * (float) $at).' %' : $hand->words($first->point);

        return new Shown([$at], $text, $at !== null && $at > 0.0);
    }

    public function traits(): array
    {
        $first = $this->points[0] ?? null;

        return [
            'takeOver' => $this->takeOver,
            'detents' => $this->detents,
            ...array_filter(['low' => $first?->low, 'high' => $first?->high], is_float(...)),
        ];
    }

    /** Where it comes to rest: at a detent that is near, and on a step. */
    private function settled(float $share, Hand $hand): float
    {
        foreach ($this->detents as $detent) {
            if (abs($share - $detent / 100) < self::NEAR) {
                return $detent / 100;
            }
        }
        $first = $this->points[0] ?? null;
        $point = $first === null || $this->step === null ? null : $hand->describe($first->point);
        if ($first === null || $point === null || $this->step === null) {
            return $share;
        }
        [$low] = $first->ends($point);
        $value = $low + round(($first->value($share, $point) - $low) / $this->step) * $this->step;

        return $first->share($value, $point) ?? $share;
    }
}
