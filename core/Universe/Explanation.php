<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** Who gives a slot its level, and why, in words. */
final readonly class Explanation
{
    /** @param array<string, Source> $sources all of the universe, whether they lead or not */
    public function __construct(private Rules $rules, private Merger $merger, private Lead $lead, private array $sources)
    {
    }

    /**
     * @param int $slot 0 to 511
     * @param bool $spoken whether the universe ever had a level
     */
    public function of(int $slot, bool $spoken, int $now): string
    {
        $winner = $this->lead->sources[\ord($this->lead->winners($this->merger)[$slot]) - 1] ?? null;
        if ($winner === null) {
            return match (true) {
                $this->lead->hasWhole => 'No leading source raises this slot.',
                $spoken => "No source is left: {$this->rules->whenLost->words()}.",
                $this->sources !== [] => 'No leading source raises this slot.',
                default => 'No source has been heard yet.',
            };
        }

        return "{$winner->name}: {$this->reason($winner, $slot, $now)}.";
    }

    private function reason(Source $winner, int $slot, int $now): string
    {
        if ($this->lead->bySlot && ! $winner->isSparse()) {
            $equal = array_values(array_filter($this->lead->sources, static fn(Source $source): bool => $source->isSparse() || SlotPriorities::of($source, $slot) === SlotPriorities::of($winner, $slot)));

            return 'its priority for this slot, '.SlotPriorities::of($winner, $slot).', is the highest'
                .(\count($equal) > 1 ? '; among equals, '.$this->merger->reason($equal, $winner, $slot, $now) : '');
        }
        $beaten = array_filter($this->sources, fn(Source $source): bool => ! $this->lead->has($source));
        $rivals = array_filter($beaten, static fn(Source $source): bool => $source->lastResort === $winner->lastResort);

        return match (true) {
            $winner->isSparse() || $beaten === [] => $this->merger->reason($this->lead->sources, $winner, $slot, $now),
            $this->rules->chosen !== '' => 'its port is the chosen one',
            $rivals === [] => 'what is there besides is a source of last resort',
            default => "priority {$winner->priority} is above ".max(array_map(static fn(Source $source): int => (int) $source->priority, $rivals)),
        };
    }
}
