<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** A slot was set, and leaves so. */
final readonly class SlotSet implements Fact
{
    /** @param int $slot 0 to 511 */
    public function __construct(private string $universeId, private int $slot, private int $from, private int $to)
    {
    }

    public function words(Names $names): string
    {
        $where = 'slot '.($this->slot + 1)." of {$names->universe($this->universeId)}";

        return $this->from === $this->to ? "{$where} is {$this->to} already" : "{$where} from {$this->from} to {$this->to}";
    }
}
