<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** One of several values; without options of its own, those that the point has. */
final readonly class SelectorControl implements ControlKind
{
    /** @param list<Selectable> $options */
    public function __construct(public ?Reference $point = null, public array $options = [])
    {
    }

    public static function kind(): string
    {
        return 'selector';
    }

    public static function label(): string
    {
        return 'Selector';
    }

    public static function fields(): array
    {
        return [
            Field::pointOrNone('point', 'Point'),
            Field::objects('options', 'Options; empty for those of the point', Selectable::class, 32),
        ];
    }

    public function axes(): array
    {
        return [];
    }

    public function others(): array
    {
        return $this->point === null ? [] : [$this->point];
    }

    public function parts(): array
    {
        return ['' => PointKind::Text];
    }

    /** @param int|float|string $value number of the option, from 0, or its name */
    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        $options = $this->choices($hand);
        $names = array_map(static fn(Selectable $one): string => $one->name, $options);
        $named = array_search((string) $value, $names, true);
        $chosen = $named !== false ? $options[$named] : (is_numeric($value) ? $options[(int) $value] ?? null : null);
        if ($chosen === null || $this->point === null) {
            return 'it is one of: '.implode(', ', $names);
        }

        return $hand->set($this->point, $chosen->value);
    }

    public function press(string $part, Hand $hand): string
    {
        $options = $this->choices($hand);

        return $options === []
            ? 'it has no options'
            : $this->move('', ($this->chosen($options, $hand) + 1) % \count($options), $hand);
    }

    public function shown(Hand $hand): Shown
    {
        $options = $this->choices($hand);
        $chosen = $this->chosen($options, $hand);

        return new Shown(
            [(float) $chosen],
            implode("\n", array_map(static fn(Selectable $one): string => $one->name, $options)),
            $chosen >= 0,
        );
    }

    public function traits(): array
    {
        return [];
    }

    /** @return list<Selectable> */
    private function choices(Hand $hand): array
    {
        $point = $this->options !== [] || $this->point === null ? null : $hand->describe($this->point);

        return match (true) {
            $point === null => $this->options,
            $point->kind === PointKind::Switch => [new Selectable('off', 0), new Selectable('on', 1)],
            $point->ranges !== [] => self::ofRanges($point),
            default => array_map(static fn(string $one): Selectable => new Selectable($one, $one), $point->choices),
        };
    }

    /** @return list<Selectable> each with the middle of its range */
    private static function ofRanges(Point $point): array
    {
        return array_map(
            static fn(array $range): Selectable => new Selectable($range[2], ($range[0] + $range[1]) / 2),
            $point->ranges,
        );
    }

    /**
     * @param list<Selectable> $options
     *
     * @return int its place; -1 where none is chosen
     */
    private function chosen(array $options, Hand $hand): int
    {
        $value = $this->point === null ? null : $hand->read($this->point);
        $point = $this->point === null ? null : $hand->describe($this->point);
        foreach ($options as $i => $option) {
            $range = $this->options === [] ? $point->ranges[$i] ?? null : null;
            $isIn = $range !== null && is_numeric($value) && (float) $value >= $range[0] && (float) $value <= $range[1];
            $isSame = is_numeric($value) && is_numeric($option->value)
                ? abs((float) $value - (float) $option->value) < 1e-6
                : (string) $value === (string) $option->value;
            if ($value !== null && ($isIn || $isSame)) {
                return $i;
            }
        }

        return -1;
    }
}
