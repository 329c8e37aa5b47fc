<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Merge;

/**
 * The rules of merging, written down once more: parameter by parameter, with plain numbers and a count of
 * changes instead of strings and orders. Slow, and easy to check against the rules by reading.
 */
final class ReferenceMerge
{
    /** @var array<string, array{levels: array<int, int>, priority: int, lastResort: bool, bySlot: array<int, int>}> */
    public array $senders = [];

    /**
     * @var array<string, array{levels: array<int, int>, layer: string, priority: ?int, isSet: bool}> levels by slot that
     * it gives
     */
    public array $owners = [];

    /** @var array<string, array<int, int>> by contributor (sender, owner) and parameter: when it changed it last */
    private array $changedAt = [];

    /** @var array<int, int> */
    private array $kept;
    private int $changes = 0;

    /**
     * @param list<list<int>> $parameters all slots, each in one parameter, the coarsest first
     * @param list<bool> $isLatest by parameter
     */
    public function __construct(private readonly array $parameters, private readonly array $isLatest)
    {
        $this->kept = array_fill(0, 512, 0);
    }

    /** @param array<int, int> $levels 512 of them */
    public function send(string $key, array $levels): void
    {
        ++$this->changes;
        $before = $this->senders[$key]['levels'] ?? array_fill(0, 512, 0);
        $this->senders[$key] = ['levels' => $levels] + ($this->senders[$key] ?? [
            'priority' => 100,
            'lastResort' => false,
            'bySlot' => [],
        ]);
        foreach ($this->parameters as $number => $slots) {
            if ($this->value($before, $slots) !== $this->value($levels, $slots)) {
                $this->changedAt[$key][$number] = $this->changes;
            }
        }
    }

    public function lose(string $key): void
    {
        if (array_keys($this->leading()) === [$key]) {
            $owners = $this->owners;
            $this->owners = [];
            $this->kept = $this->levels();
            $this->owners = $owners;
        }
        unset($this->senders[$key], $this->changedAt[$key]);
    }

    /** @param array<int, int> $given level by slot */
    public function give(string $owner, array $given, ?int $priority, bool $isSet): void
    {
        ++$this->changes;
        $layer = $priority === null ? 'joins' : "layer {$priority}";
        $given = $this->whole($given);
        $before = $this->owners[$owner] ?? null;
        $levels = $isSet ? $before['levels'] ?? [] : [];
        if ($before !== null && $before['priority'] !== $priority) {
            // All that it had set goes with it to its other priority.
            $this->end($owner);
            $before = null;
            $given += $levels;
        }
        $touched = [];
        foreach ($this->parameters as $number => $slots) {
            if (! isset($given[$slots[0]])) {
                continue;
            }
            foreach ($slots as $slot) {
                $levels[$slot] = $given[$slot];
                $isNew = ($before['levels'][$slot] ?? null) !== $levels[$slot];
                $touched[$number] = ($touched[$number] ?? false) || $isSet || $isNew;
            }
        }
        $this->owners[$owner] = ['levels' => $levels, 'layer' => $layer, 'priority' => $priority, 'isSet' => $isSet];
        foreach (array_keys(array_filter($touched)) as $number) {
            $this->changedAt[$owner][$number] = $this->changes;
        }
    }

    /**
     * The coarsest slot alone gives all of a parameter its level; finer ones without it give nothing.
     *
     * @param array<int, int> $given
     *
     * @return array<int, int>
     */
    private function whole(array $given): array
    {
        $whole = [];
        foreach ($this->parameters as $slots) {
            foreach (isset($given[$slots[0]]) ? $slots : [] as $slot) {
                $whole[$slot] = $given[$slot] ?? $given[$slots[0]];
            }
        }

        return $whole;
    }

    public function end(string $owner): void
    {
        unset($this->owners[$owner], $this->changedAt[$owner]);
    }

    /** @return array<int, int> 512 levels */
    public function levels(): array
    {
        $levels = [];
        $leading = $this->leading();
        foreach ($this->parameters as $number => $slots) {
            $winner = $this->winner($number, $slots, $leading) ?? ($leading === [] ? $this->kept : []);
            foreach ($slots as $slot) {
                $levels[$slot] = $winner[$slot] ?? 0;
            }
        }
        ksort($levels);

        return $levels;
    }

    /**
     * @return array<string, array{levels: array<int, int>, priority: int, lastResort: bool, bySlot: array<int, int>}>
     * senders that may be in control
     */
    private function leading(): array
    {
        if ($this->senders === []) {
            return [];
        }
        $isAnyOrdinary = \in_array(false, array_column($this->senders, 'lastResort'), true);
        $able = array_filter($this->senders, static fn(array $one): bool => $one['lastResort'] !== $isAnyOrdinary);
        if (array_filter(array_column($this->senders, 'bySlot')) !== []) {
            return $able;
        }
        $highest = max(array_column($able, 'priority'));

        return array_filter($able, static fn(array $one): bool => $one['priority'] === $highest);
    }

    /**
     * @param list<int> $slots
     * @param array<string, array{levels: array<int, int>, priority: int, lastResort: bool, bySlot: array<int, int>}> $leading
     *
     * @return array<int, int>|null levels of whoever has this parameter
     */
    private function winner(int $number, array $slots, array $leading): ?array
    {
        $there = [];
        foreach ($leading as $key => $sender) {
            $priority = $sender['bySlot'] === [] ? $sender['priority'] : $sender['bySlot'][$slots[0]];
            if ($sender['bySlot'] === [] || $priority > 0) {
                $there[] = [
                    $sender['lastResort'] ? $priority - 1000 : $priority,
                    $sender['levels'],
                    $this->changedAt[$key][$number] ?? null,
                ];
            }
        }
        $joining = [];
        foreach ($this->layersAt($number, $slots) as [$priority, $levels, $at]) {
            if ($priority === null) {
                $joining[] = [0, $levels, $at];
            } else {
                $there[] = [$priority, $levels, $at];
            }
        }
        $highest = $there === [] ? 0 : max(array_column($there, 0));
        $sharing = [...array_values(array_filter($there, static fn(array $one): bool => $one[0] === $highest)), ...$joining];
        if (\count($sharing) < 2) {
            return $sharing[0][1] ?? null;
        }
        $best = null;
        $most = 0;
        foreach ($sharing as [, $levels, $at]) {
            $measure = $this->isLatest[$number] ? (int) $at : $this->value($levels, $slots);
            if ($measure > $most) {
                $most = $measure;
                $best = $levels;
            }
        }

        return $best ?? [];
    }

    /**
     * @param list<int> $slots
     *
     * @return list<array{?int, array<int, int>, ?int}> priority, levels and last change of every layer that gives this parameter
     */
    private function layersAt(int $number, array $slots): array
    {
        $layers = [];
        foreach ($this->owners as $owner => $one) {
            if (isset($one['levels'][$slots[0]])) {
                $layers[$one['layer']][$owner] = $one;
            }
        }
        $there = [];
        foreach ($layers as $owners) {
            uksort($owners, fn(string $a, string $b): int => $this->changedAt[$a][$number] <=> $this->changedAt[$b][$number]);
            $last = end($owners);
            $lastSet = null;
            foreach ($owners as $one) {
                $lastSet = $one['isSet'] ? $one : $lastSet;
            }
            $candidates = array_filter($owners, static fn(array $one): bool => ! $one['isSet'] || $one === $lastSet);
            usort(
                $candidates,
                fn(array $a, array $b): int => $this->value($b['levels'], $slots) <=> $this->value($a['levels'], $slots),
            );
            $winner = $this->isLatest[$number] ? $last : $candidates[0];
            // Among senders it stands where the last one of those that are still there acted.
            $there[] = [$winner['priority'], $winner['levels'], $this->changedAt[array_key_last($owners)][$number] ?? null];
        }

        return $there;
    }

    /**
     * @param array<int, int> $levels
     * @param list<int> $slots
     */
    private function value(array $levels, array $slots): int
    {
        return (int) array_reduce($slots, static fn(int $value, int $slot): int => $value * 256 + $levels[$slot], 0);
    }
}
