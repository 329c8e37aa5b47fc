<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** A slot was asked for one level and has another: whoever reads it is told who has the slot. */
final readonly class Overruled implements Fact
{
    /** @param int $slot 0 to 511 */
    public function __construct(private string $universeId, private int $slot, private int $asked, private int $is)
    {
    }

    public function words(Names $names): string
    {
        $where = 'slot '.($this->slot + 1)." of {$names->universe($this->universeId)}";

        return "{$where} was asked for {$this->asked} and is {$this->is}. {$names->explain($this->universeId, $this->slot)}";
    }
}
