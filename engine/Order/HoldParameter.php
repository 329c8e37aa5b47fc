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
    /** @param float $value 0 to 1 */
    public function __construct(private string $fixture, private string $parameter, private float $value, private int $seconds)
    {
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
            Field::text('parameter', 'Parameter', null, 60),
            Field::number('value', 'Value, 0 to 1', 0.0, 1.0),
            Field::whole('seconds', 'Seconds', 1, HoldSlots::LONGEST_SECONDS, HoldSlots::USUAL_SECONDS),
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
        $slots = $reach->engine->show()->patch()->slots($this->fixture, $this->parameter, $this->value)
            ?? throw new CommandRefused("There is no parameter \"{$this->parameter}\" of a fixture \"{$this->fixture}\" in the show.");
        $reach->engine->hold($slots['universe'], $slots['levels'], $reach->by(), $this->seconds);

        return null;
    }
}
