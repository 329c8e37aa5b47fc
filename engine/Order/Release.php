<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Engine\Said\Said;

/** What is held is let go: a parameter, a run of slots, all of a universe, or all; or of that what this person holds. */
final readonly class Release implements Order, InShowMode
{
    /**
     * @param string $universe '' for all
     * @param string $fixture whose parameter is let go; '' for slots
     */
    public function __construct(
        private string $universe,
        private ?int $slot,
        private ?int $last,
        private bool $mine = false,
        private string $fixture = '',
        private string $parameter = '',
    ) {
    }

    public static function kind(): string
    {
        return 'release';
    }

    public static function label(): string
    {
        return 'Release';
    }

    public static function fields(): array
    {
        return [
            new Id('universe', 'Universe', 'universe', false),
            Field::whole('slot', 'Slot', 1, 512, null, false),
            Field::whole('last', 'Last slot', 1, 512, null, false),
            Field::flag('mine', 'Only what I hold', false),
            new Id('fixture', 'Fixture', 'fixture', false),
            Field::textOrNone('parameter', 'Parameter', 120),
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
        if ($this->fixture !== '') {
            $placement = $reach->parameter($this->fixture, $this->parameter);
            // One of its slots is let go with all others.
            $slot = $placement->slots[0];
            $reach->engine->release($placement->universeId, $slot, $slot, $reach->by(), $this->mine);

            return null;
        }
        $universe = $this->universe === '' ? null : $reach->universe($this->universe)->id;
        $reach->engine->release($universe, self::fromZero($this->slot), self::fromZero($this->last), $reach->by(), $this->mine);

        return null;
    }

    private static function fromZero(?int $slot): ?int
    {
        return $slot === null ? null : $slot - 1;
    }
}
