<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\ChooseAction;
use NimbleJunction\Core\Route\Action\Option;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Route\Wording;

/** One of several points is pressed by its number: the first value is number 1. */
final readonly class NumberFunction implements OfferedFunction, Checked
{
    /** As many as one slot has values beside "no change". */
    private const MOST = 255;

    /**
     * @param list<Numbered> $points number 1 first
     * @param int $first value of number 1; those below change nothing
     */
    public function __construct(public array $points, public int $first = 1, public string $name = '')
    {
    }

    public static function kind(): string
    {
        return 'number';
    }

    public static function label(): string
    {
        return 'One of several points is pressed, by its number';
    }

    public static function fields(): array
    {
        return [
            Field::objects('points', 'Points, number 1 first', Numbered::class, self::MOST, 1),
            Field::whole('first', 'Value of number 1', 0, Ranged::HIGHEST, 1),
            Field::textOrNone('name', 'Called', 60),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->points === []) {
            $fields->fault('points', 'there is none', 'Name at least one point.');
        }
    }

    public function name(): string
    {
        return $this->name;
    }

    public function first(): int
    {
        return $this->first;
    }

    public function last(int $highest): int
    {
        return $this->first + max(1, \count($this->points)) - 1;
    }

    public function points(): array
    {
        $points = [];
        foreach ($this->points as $i => $one) {
            $points["points/{$i}/point"] = $one->point;
        }

        return $points;
    }

    public function isPressed(): bool
    {
        return false;
    }

    public function fromSlots(int $highest): array
    {
        return [new ScaleStep([(float) $this->first, (float) $this->first + 1.0], [1.0, 2.0], 'both')];
    }

    public function fromOsc(): array
    {
        return [];
    }

    public function fromController(int $highest): array
    {
        return [];
    }

    public function actions(): array
    {
        $options = array_map(
            static fn(int $i, Reference $point): Option => new Option($i + 1.0, $i + 1.0, [new PressAction($point)]),
            array_keys($this->points),
            array_values($this->points()),
        );

        return [new ChooseAction($options)];
    }

    public function argument(): string
    {
        return 'whole number from 1 to '.\count($this->points);
    }

    public function words(Wording $wording): string
    {
        $numbered = array_map(
            static fn(int $i, Reference $point): string => ($i + 1).": {$wording->point($point->text())}",
            array_keys($this->points),
            array_values($this->points()),
        );

        return 'press by number, '.implode('; ', $numbered);
    }
}
