<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** A slot, or a run of them, is held at a level. */
final readonly class HoldSlots implements Order
{
    public const LONGEST_SECONDS = 3600;
    public const USUAL_SECONDS = 300;

    /**
     * @param int $last $slot to 512
     * @param int $level 0 to 255
     */
    public function __construct(
        private string $universe,
        private int $slot,
        private int $last,
        private int $level,
        private int $seconds,
    ) {
    }

    public static function kind(): string
    {
        return 'hold';
    }

    public static function label(): string
    {
        return 'Hold slots';
    }

    public static function fields(): array
    {
        return [
            Field::universe(),
            Field::whole('slot', 'Slot', 1, 512),
            Field::whole('last', 'Last slot', 1, 512, null, false)->atLeast('slot'),
            Field::whole('level', 'Level', 0, 255),
            Field::whole('seconds', 'Seconds', 1, self::LONGEST_SECONDS, self::USUAL_SECONDS),
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
        $levels = array_fill($this->slot, $this->last - $this->slot + 1, $this->level);
        $universe = $reach->universe($this->universe);
        $levels = array_filter(
            $levels,
            static fn(int $slot): bool => ! $universe->wayOut()->guards($slot - 1),
            \ARRAY_FILTER_USE_KEY,
        );
        if ($levels === []) {
            throw new CommandRefused(
                "Slot {$this->slot} of {$universe->id} is never driven, as the profile there says. Unlock its parameter to reach it this once.",
            );
        }
        $reach->engine->hold($universe->id, $levels, $reach->by(), $this->seconds);

        return null;
    }
}
