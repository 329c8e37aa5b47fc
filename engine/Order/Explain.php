<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Merge\SlotPriorities;
use NimbleJunction\Engine\Said\Said;
use NimbleJunction\Engine\Said\SlotContribution;
use NimbleJunction\Engine\Said\SlotReport;

/** Who has a slot, and why? */
final readonly class Explain implements Order, InShowMode
{
    public function __construct(private string $universe, private int $slot)
    {
    }

    public static function kind(): string
    {
        return 'explain';
    }

    public static function label(): string
    {
        return 'Explain a slot';
    }

    public static function fields(): array
    {
        return [
            Field::universe(),
            Field::whole('slot', 'Slot', 1, 512),
        ];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): string
    {
        return SlotReport::class;
    }

    public function obey(Reach $reach): Said
    {
        $universe = $reach->universe($this->universe);
        $slot = $this->slot - 1;
        $leading = $universe->control()->leading;
        $contributions = [];
        foreach ($universe->sources() as $source) {
            $contributions[] = new SlotContribution(
                $source->name,
                \ord($source->levels[$slot]),
                SlotPriorities::of($source, $slot),
                \in_array($source, $leading, true),
            );
        }
        foreach ($universe->layers()->all() as $layer) {
            foreach ($layer->at($slot) as $one) {
                $contributions[] = new SlotContribution(
                    $one->name,
                    \ord($one->levels[$slot]),
                    $layer->priority,
                    \in_array($layer, $leading, true),
                );
            }
        }

        return new SlotReport(\ord($universe->levels[$slot]), $universe->explain($slot), $contributions);
    }
}
