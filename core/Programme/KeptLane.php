<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/** How far a lane was on its way, as it is kept and gone on with. */
final readonly class KeptLane
{
    /**
     * @param int $to where it goes, before it is scaled
     * @param int $below what was there without it
     * @param int $from what it gave when its change began
     * @param int $gone nanoseconds since then
     * @param int $nanos that its change takes
     * @param bool $leaves whether it goes, and is no more when it is there
     * @param bool $isWhole whether a level does not cross-fade it
     */
    public function __construct(
        public int $to,
        public int $below,
        public int $from,
        public int $gone,
        public int $nanos,
        public bool $leaves = false,
        public bool $isWhole = false,
    ) {
    }

    /** @return self|null null for what is none; one that stands is said in two numbers */
    public static function fromArray(mixed $kept): ?self
    {
        if (! \is_array($kept) || ! \in_array(\count($kept), [2, 7], true)) {
            return null;
        }
        $values = array_values($kept);
        [$to, $below, $from, $gone, $nanos] = \count($values) === 2 ? [...$values, $values[0], 0, 0] : $values;
        if (! \is_int($to) || ! \is_int($below) || ! \is_int($from) || ! \is_int($gone) || ! \is_int($nanos)) {
            return null;
        }

        return $nanos < 0 || $gone < 0
            ? null
            : new self($to, $below, $from, $gone, $nanos, ($values[5] ?? false) === true, ($values[6] ?? false) === true);
    }

    /** @return self|null as it is so many nanoseconds later; null where that is beyond all time */
    public function after(int $nanos): ?self
    {
        return $this->gone > \PHP_INT_MAX - $nanos
            ? null
            : new self($this->to, $this->below, $this->from, $this->gone + $nanos, $this->nanos, $this->leaves, $this->isWhole);
    }

    /** @return array{int, int, int, int, int, bool, bool} in the order above */
    public function toArray(): array
    {
        return [$this->to, $this->below, $this->from, $this->gone, $this->nanos, $this->leaves, $this->isWhole];
    }
}
