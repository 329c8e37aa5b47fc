<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Surface\Binding;
use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;
use NimbleJunction\Core\Surface\Springs;

/** A square over two axes, as pan and tilt; it stays where it is left, or springs back to its middle. */
final readonly class PadControl implements ControlKind, Springs
{
    private const MIDDLE = 50.0;

    /**
     * @param list<Binding> $across
     * @param list<Binding> $up
     * @param bool $springs whether it goes back to its middle when it is let go
     */
    public function __construct(public array $across = [], public array $up = [], public bool $springs = false)
    {
    }

    public static function kind(): string
    {
        return 'pad';
    }

    public static function label(): string
    {
        return 'Pad';
    }

    public static function fields(): array
    {
        return [
            Field::objects('across', 'Across', Binding::class, 32),
            Field::objects('up', 'Up', Binding::class, 32),
            Field::flag('springs', 'Springs back to its middle', false),
        ];
    }

    public function axes(): array
    {
        return ['across' => $this->across, 'up' => $this->up];
    }

    public function others(): array
    {
        return [];
    }

    public function parts(): array
    {
        return ['across' => PointKind::Level, 'up' => PointKind::Level];
    }

    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        if (! is_numeric($value)) {
            return 'each way goes from 0 to 100 per cent';
        }

        return $hand->bring($this->axes()[$part] ?? [], $part, (float) $value / 100);
    }

    public function press(string $part, Hand $hand): string
    {
        return 'a pad can be moved, not pressed';
    }

    public function shown(Hand $hand): Shown
    {
        $at = $words = [];
        foreach ($this->axes() as $part => $bindings) {
            $share = $hand->at($bindings, $part);
            $at[] = $share;
            $words[] = isset($bindings[0]) ? $hand->words($bindings[0]->point) : round(100 * (float) $share).' %';
        }

        return new Shown($at, implode('  ', $words));
    }

    public function rest(string $part): ?float
    {
        return $this->springs ? self::MIDDLE : null;
    }

    public function traits(): array
    {
        return ['springs' => $this->springs];
    }
}
