<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Surface\Binding;
use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** A value that goes up and down by steps. */
final readonly class StepperControl implements ControlKind
{
    /**
     * @param list<Binding> $points
     * @param float $step in the unit of each point
     * @param bool $wraps whether it begins again at the other end
     */
    public function __construct(public array $points = [], public float $step = 1.0, public bool $wraps = false)
    {
    }

    public static function kind(): string
    {
        return 'stepper';
    }

    public static function label(): string
    {
        return 'Stepper';
    }

    public static function fields(): array
    {
        return [
            Field::objects('points', 'Points', Binding::class, 32),
            Field::number('step', 'Step, in the unit of the point', 0.0001, 1e9, 1.0),
            Field::flag('wraps', 'Begins again at the other end', false),
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
        return ['' => PointKind::Level, 'up' => PointKind::Press, 'down' => PointKind::Press];
    }

    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        return $part !== '' || ! is_numeric($value)
            ? 'it is stepped up and down'
            : $hand->bring($this->points, '', (float) $value / 100);
    }

    public function press(string $part, Hand $hand): string
    {
        $by = match ($part) {
            'up' => $this->step,
            'down' => -$this->step,
            default => null,
        };
        if ($by === null) {
            return 'press its up or down';
        }
        $refusals = array_map(fn(Binding $one): string => $this->step($one, $by, $hand), $this->points);

        return implode('; ', array_unique(array_filter($refusals)));
    }

    public function shown(Hand $hand): Shown
    {
        $first = $this->points[0] ?? null;

        return new Shown([$hand->at($this->points, '')], $first === null ? '' : $hand->words($first->point));
    }

    public function traits(): array
    {
        return [];
    }

    private function step(Binding $binding, float $by, Hand $hand): string
    {
        $point = $hand->describe($binding->point);
        $value = $hand->read($binding->point);
        if ($point === null || ! is_numeric($value)) {
            return "{$binding->point->text()} has no number now";
        }
        [$low, $high] = $binding->ends($point);
        [$least, $most] = [min($low, $high), max($low, $high)];
        $to = (float) $value + ($high < $low ? -$by : $by);
        if ($this->wraps && $to > $most) {
            $to = $least;
        } elseif ($this->wraps && $to < $least) {
            $to = $most;
        }

        return $hand->set($binding->point, max($least, min($most, $to)));
    }
}
