<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** All slots of a parameter are held at a value. */
final readonly class HoldParameter implements Order
{
    /**
     * @param float $value 0 to 1, from its first value to its last
     * @param bool $unlock whether it may reach what is never driven, for as long as it is held
     */
    public function __construct(
        private string $fixture,
        private string $parameter,
        private float $value,
        private int $seconds,
        private bool $unlock,
    ) {
    }

    public static function kind(): string
    {
        return 'hold-parameter';
    }

    public static function label(): string
    {
        return 'Hold a parameter';
    }

    public static function fields(): array
    {
        return [
            new Id('fixture', 'Fixture', 'fixture', true),
            Field::text('parameter', 'Parameter', null, 120),
            Field::number('value', 'Value, 0 to 1', 0.0, 1.0),
            Field::whole('seconds', 'Seconds', 1, HoldSlots::LONGEST_SECONDS, HoldSlots::USUAL_SECONDS),
            Field::flag('unlock', 'Unlock what is never driven', false),
        ];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $placement = $reach->parameter($this->fixture, $this->parameter);
        $parameter = $placement->placed->parameter;
        if ($parameter->neverDriven && ! $this->unlock) {
            throw new CommandRefused(
                "{$placement->name()} is never driven, as its profile says. Unlock it to reach it this once.",
            );
        }
        $levels = [];
        foreach ($placement->levels($parameter->value($this->value)) as $slot => $level) {
            $levels[$slot + 1] = $level;
        }
        ksort($levels);
        $reach->engine->hold($placement->universeId, $levels, $reach->by(), $this->seconds, $this->unlock);

        return null;
    }
}
