<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\WideParameters;

/** What waves do to the levels of a universe: several of one parameter one after the other, with one limit at the end. */
final class Modifiers
{
    /** @var array<int, list<Modifier>> by the coarsest slot */
    private array $bySlot = [];

    /** @param list<Modifier> $modifiers in their order */
    public function use(array $modifiers): void
    {
        $this->bySlot = [];
        foreach ($modifiers as $one) {
            $this->bySlot[$one->slots[0]][] = $one;
        }
    }

    public function areNone(): bool
    {
        return $this->bySlot === [];
    }

    /** @param string $levels 512 bytes */
    public function apply(string $levels): string
    {
        foreach ($this->bySlot as $ones) {
            $first = $ones[0];
            $value = 0;
            foreach ($first->slots as $slot) {
                $value = $value << 8 | \ord($levels[$slot]);
            }
            foreach ($ones as $one) {
                $value = $one->zero + ($value - $one->zero) * $one->factor + $one->add;
            }
            $levels = WideParameters::lay(
                $levels,
                $first->slots,
                (int) floor(max(0.0, min((float) $first->highest, $value)) + 0.5),
            );
        }

        return $levels;
    }

    /** What is done to a slot, 0 to 511, in words; '' for nothing. */
    public function explain(int $slot): string
    {
        $said = [];
        foreach ($this->bySlot as $ones) {
            foreach (\in_array($slot, $ones[0]->slots, true) ? $ones : [] as $one) {
                $said[] = $one->factor !== 1.0
                    ? 'times '.round($one->factor, 2)." by {$one->name}"
                    : \sprintf('%+.1f %% by %s', 100 * $one->add / $one->highest, $one->name);
            }
        }

        return $said === [] ? '' : 'Then '.implode(', ', $said).'.';
    }
}
