<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

/** How one number moves while somebody learns: a hand goes on in its direction, what only wobbles turns round all the time. */
final class Movement
{
    /** Ranges that controls usually have (common practice, no source). */
    private const RANGES = [[0.0, 1.0], [-1.0, 1.0], [0.0, 127.0], [0.0, 255.0], [0.0, 16383.0], [0.0, 65535.0]];

    /** A control that only ever says so many different values is a button or a switch. */
    private const VALUES_OF_A_BUTTON = 2;

    public float $low;
    public float $high;
    private int $steps = 0;
    private int $turns = 0;
    private int $direction = 0;

    /** @var array<int|string, true> different values, up to one more than a button has */
    private array $values = [];

    public function __construct(private float $last)
    {
        $this->low = $this->high = $last;
        $this->values[(string) $last] = true;
    }

    public function heard(float $value): void
    {
        $this->low = min($this->low, $value);
        $this->high = max($this->high, $value);
        if (\count($this->values) <= self::VALUES_OF_A_BUTTON) {
            $this->values[(string) $value] = true;
        }
        $direction = $value <=> $this->last;
        if ($direction !== 0) {
            ++$this->steps;
            $this->turns += (int) ($this->direction !== 0 && $direction !== $this->direction);
            $this->direction = $direction;
        }
        $this->last = $value;
    }

    /** @return float 0 to 1: how far it moved, of the range that it most likely has, less the more it wobbles */
    public function score(): float
    {
        $span = min(1.0, ($this->high - $this->low) / $this->range());
        if (\count($this->values) <= self::VALUES_OF_A_BUTTON) {
            return $span;
        }
        $straight = 1.0 - $this->turns / max(1, $this->steps - 1);

        return $span * $straight ** 2;
    }

    private function range(): float
    {
        foreach (self::RANGES as [$low, $high]) {
            if ($this->low >= $low && $this->high <= $high) {
                return $high - $low;
            }
        }

        return max(1e-9, $this->high - $this->low);
    }
}
