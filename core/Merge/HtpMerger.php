<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/**
 * Highest takes precedence, over whole strings. Of two levels that differ, the
 * greater one has the topmost of the bits that differ; of two wide parameters,
 * the coarsest slot that differs decides.
 */
final class HtpMerger implements Merger
{
    /** Every byte with its topmost bit alone. */
    private static string $topmostBit = '';

    public function __construct(private readonly WideParameters $wide = new WideParameters())
    {
        if (self::$topmostBit === '') {
            self::$topmostBit = "\0".implode(
                '',
                array_map(static fn(int $byte): string => \chr(1 << (int) log($byte, 2)), range(1, 255)),
            );
        }
    }

    public function moved(Contributor $contributor, string $before): void
    {
    }

    public function touched(Contributor $contributor, string $mask): void
    {
    }

    public function touchedSlots(Contributor $contributor, array $slots): void
    {
    }

    public function left(Contributor $contributor, string $mask): void
    {
    }

    public function forget(Contributor $contributor): void
    {
    }

    public function after(Contributor $contributor, int $slot): array
    {
        return [];
    }

    public function fallBehind(Contributor $contributor, int $slot, array $keys): void
    {
    }

    public function order(): array
    {
        return [];
    }

    public function reorder(array $order): void
    {
    }

    public function merge(array $contributors): string
    {
        $highest = null;
        foreach ($contributors as $contributor) {
            $highest = $highest === null ? $contributor->levels : $this->higher($highest, $contributor->levels);
        }

        return $highest ?? Bytes::$none;
    }

    public function mergeSlots(string $merged, array $contributors, array $slots): string
    {
        if (! $this->wide->areNone()) {
            [$slots, $parameters] = $this->wide->apart($slots);
            $merged = $this->mergeWide($merged, $contributors, $parameters);
        }
        foreach ($slots as $slot) {
            $merged[$slot] = "\0";
        }
        foreach ($contributors as $contributor) {
            $levels = $contributor->levels;
            foreach ($slots as $slot) {
                if (\ord($levels[$slot]) > \ord($merged[$slot])) {
                    $merged[$slot] = $levels[$slot];
                }
            }
        }

        return $merged;
    }

    public function winners(array $contributors): string
    {
        $merged = $this->merge($contributors);
        $winners = Bytes::$none;
        foreach (Bytes::slots($merged) as $slot) {
            $highest = $this->wide->value($merged, $slot);
            foreach ($contributors as $place => $contributor) {
                if ($this->wide->value($contributor->levels, $slot) === $highest) {
                    $winners[$slot] = \chr($place + 1);
                    break;
                }
            }
        }

        return $this->wide->areNone() ? $winners : $this->namedInAllSlots($winners);
    }

    public function reason(array $contributors, Contributor $winner, int $slot): string
    {
        $others = [];
        foreach ($contributors as $contributor) {
            if ($contributor !== $winner && ! ($contributor instanceof Layer && ! $contributor->gives($slot))) {
                $others[] = $this->wide->value($contributor->levels, $slot);
            }
        }
        if ($others === []) {
            return 'the only source';
        }
        $next = max($others);

        return $next === $this->wide->value($winner->levels, $slot)
            ? 'highest, level with another source that came later (HTP)'
            : 'highest of '.(\count($others) + 1)." (HTP), the next one sends {$next}";
    }

    /**
     * @param string $a 512 bytes
     * @param string $b 512 bytes
     */
    private function higher(string $a, string $b): string
    {
        $difference = $a ^ $b;
        $isHigher = Bytes::filled($a & strtr($difference, Bytes::$every, self::$topmostBit));
        if (! $this->wide->areNone()) {
            $isHigher = $this->wide->decided($difference, $isHigher);
        }

        return $b ^ ($difference & $isHigher);
    }

    /**
     * @param list<Contributor> $contributors
     * @param list<list<int>> $parameters the slots of each, the coarsest first
     */
    private function mergeWide(string $merged, array $contributors, array $parameters): string
    {
        foreach ($parameters as $slots) {
            $highest = -1;
            $best = $merged;
            foreach ($contributors as $contributor) {
                $levels = $contributor->levels;
                $value = 0;
                foreach ($slots as $slot) {
                    $value = $value << 8 | \ord($levels[$slot]);
                }
                if ($value > $highest) {
                    $highest = $value;
                    $best = $levels;
                }
            }
            foreach ($slots as $slot) {
                $merged[$slot] = $best[$slot];
            }
        }

        return $merged;
    }

    /** A coarse byte of 0 is raised by nobody, and still belongs to whoever raises the parameter. */
    private function namedInAllSlots(string $winners): string
    {
        foreach (Bytes::slots($winners) as $slot) {
            foreach ($this->wide->slots($slot) as $one) {
                $winners[$one] = $winners[$slot];
            }
        }

        return $winners;
    }
}
