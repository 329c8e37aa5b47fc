<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/**
 * Latest takes precedence, parameter by parameter: whoever last changed one has
 * all of it. When that contributor goes, the one that changed it before has it again.
 */
final class LtpMerger implements Merger
{
    private readonly LtpOrder $order;

    public function __construct(private readonly WideParameters $wide = new WideParameters())
    {
        $this->order = new LtpOrder();
    }

    public function moved(Contributor $contributor, string $before): void
    {
        $this->touched($contributor, Bytes::filled($contributor->levels ^ $before));
    }

    public function touched(Contributor $contributor, string $mask): void
    {
        $this->order->moved($contributor->key, $this->wide->wholeMask($mask));
    }

    public function touchedSlots(Contributor $contributor, array $slots): void
    {
        $this->order->movedSlots($contributor->key, $slots);
    }

    public function left(Contributor $contributor, string $mask): void
    {
        $this->order->left($contributor->key, $mask);
    }

    public function forget(Contributor $contributor): void
    {
        $this->order->forget($contributor->key);
    }

    public function after(Contributor $contributor, int $slot): array
    {
        return $this->order->after($contributor->key, $slot);
    }

    public function fallBehind(Contributor $contributor, int $slot, array $keys): void
    {
        $this->order->fallBehind($contributor->key, $slot, $keys);
    }

    public function order(): array
    {
        return $this->order->kept();
    }

    public function reorder(array $order): void
    {
        $this->order->restore(array_map($this->wide->byCoarse(...), $order));
    }

    public function merge(array $contributors): string
    {
        if (\count($contributors) === 1) {
            return $contributors[0]->levels;
        }
        $latest = $this->order->latest(self::keys($contributors));
        $merged = Bytes::$none;
        foreach ($contributors as $place => $contributor) {
            $ownOnly = str_repeat("\0", 256);
            $ownOnly[$place + 1] = "\xFF";
            $merged |= $contributor->levels & strtr($latest, Bytes::$every, $ownOnly);
        }

        return $merged;
    }

    public function mergeSlots(string $merged, array $contributors, array $slots): string
    {
        $keys = self::keys($contributors);
        $isAlone = \count($contributors) === 1;
        foreach ($slots as $slot) {
            $place = $isAlone ? 0 : $this->order->latestAt($slot, $keys);
            $merged[$slot] = $place === null ? "\0" : $contributors[$place]->levels[$slot];
        }

        return $merged;
    }

    public function winners(array $contributors): string
    {
        return $this->order->latest(self::keys($contributors));
    }

    public function reason(array $contributors, Contributor $winner, int $slot): string
    {
        $others = array_values(array_filter($contributors, static fn(Contributor $one): bool => $one !== $winner));
        $before = $this->order->latestAt($slot, self::keys($others));
        if ($before === null) {
            return $others === [] ? 'the only source' : 'the only one that ever changed it (LTP)';
        }
        $level = $this->wide->value($others[$before]->levels, $slot);

        return "changed it last (LTP), before it {$others[$before]->name} with {$level}";
    }

    /**
     * @param list<Contributor> $contributors
     *
     * @return list<string>
     */
    private static function keys(array $contributors): array
    {
        $keys = [];
        foreach ($contributors as $contributor) {
            $keys[] = $contributor->key;
        }

        return $keys;
    }
}
