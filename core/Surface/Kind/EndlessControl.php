<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Surface\Binding;
use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** A knob without ends: what is pushed is added to where each of its points is. */
final readonly class EndlessControl implements ControlKind
{
    /** What can be set of it: how far it is turned, in per cent of the way. */
    public const TURN = 'turn';

    /**
     * @param list<Binding> $points
     * @param float $sensitivity of the way, for a whole width of the control
     */
    public function __construct(public array $points = [], public float $sensitivity = 0.5)
    {
    }

    public static function kind(): string
    {
        return 'endless';
    }

    public static function label(): string
    {
        return 'Endless knob';
    }

    public static function fields(): array
    {
        return [
            Field::objects('points', 'Points', Binding::class, 32),
            Field::number('sensitivity', 'Of the way, for its whole width', 0.01, 10.0, 0.5),
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
        return ['' => PointKind::Level, self::TURN => PointKind::Number];
    }

    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        if (! is_numeric($value)) {
            return 'it is turned by per cent of its way';
        }
        if ($part === '') {
            return $hand->bring($this->points, '', (float) $value / 100);
        }
        $by = (float) $value / 100;
        if ($this->points === []) {
            return $hand->bring([], '', ($hand->at([], '') ?? 0.0) + $by);
        }
        $refusals = array_map(
            static fn(Binding $one): string => $hand->bring([$one], '', ($hand->share($one) ?? 0.0) + $by),
            $this->points,
        );

        return implode('; ', array_unique(array_filter($refusals)));
    }

    public function press(string $part, Hand $hand): string
    {
        return 'it can be turned, not pressed';
    }

    public function shown(Hand $hand): Shown
    {
        $at = $hand->at($this->points, '');
        $first = $this->points[0] ?? null;

        return new Shown(
            [$at],
            $first === null ? round(100 * (float) $at).' %' : $hand->words($first->point),
            $at !== null && $at > 0.0,
        );
    }

    public function traits(): array
    {
        return ['sensitivity' => $this->sensitivity];
    }
}
