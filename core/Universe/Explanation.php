<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Contributor;
use NimbleJunction\Core\Merge\Control;
use NimbleJunction\Core\Merge\Layer;
use NimbleJunction\Core\Merge\Merger;
use NimbleJunction\Core\Merge\SlotPriorities;
use NimbleJunction\Core\Merge\Source;

/**
 * Who asks for a slot's level, and why, in words: the winner, the rule, the best rival; or what is kept, where nobody
 * is there.
 */
final readonly class Explanation
{
    /** @param list<Contributor> $contributors all of the universe, whether they lead or not */
    public function __construct(
        private Rules $rules,
        private Merger $merger,
        private Control $control,
        private array $contributors,
        private Kept $kept,
    ) {
    }

    /**
     * Every stage that did something, in their order.
     *
     * @param int $slot 0 to 511
     * @param string $merged 512 bytes: what is asked for
     */
    public function stages(int $slot, string $merged, WayOut $wayOut): string
    {
        $words = [
            $this->rules->swaps?->explain($slot) ?? '',
            $this->of($slot, \ord($merged[$slot])),
            ...$wayOut->explain($slot, $merged, $this->rules->wide),
        ];

        return implode(' ', array_filter($words));
    }

    /**
     * @param int $slot 0 to 511
     * @param int $asked what is asked for, 0 to 255
     */
    private function of(int $slot, int $asked): string
    {
        $winner = $this->control->leading[\ord($this->control->winners($this->merger)[$slot]) - 1] ?? null;
        if ($winner instanceof Layer) {
            return $this->ofLayer($winner, $slot);
        }
        if ($winner !== null) {
            return "{$winner->name}: {$this->reason($winner, $slot)}.";
        }

        return $this->control->hasSenders() || $this->control->at($slot) !== []
            ? 'No leading source raises this slot.'
            : $this->ofKept($asked);
    }

    private function ofKept(int $asked): string
    {
        $isDefault = ! $this->kept->isFilled && $asked > 0;
        $hadSenders = $this->kept->stopped || $this->kept->fade !== null || $asked > 0;
        $isAnythingThere = $this->contributors !== [];

        return match (true) {
            $isDefault => 'Nobody gives it a level: it is at its default, as its profile says.',
            $hadSenders => "No source is left: {$this->rules->whenLost->words()}.",
            $isAnythingThere => 'No leading source raises this slot.',
            default => 'No source has been heard yet.',
        };
    }

    private function ofLayer(Layer $layer, int $slot): string
    {
        $owners = $layer->at($slot);
        $first = $owners[0] ?? null;
        if ($first === null) {
            return 'No leading source raises this slot.';
        }
        $words = $first->name.': ';
        if (\count($owners) > 1) {
            $rival = $owners[1];
            $isLatest = $this->rules->latestMask()[$slot] !== "\0" || ($first->isSet && $rival->isSet);
            $level = $this->rules->wide->value($rival->levels, $slot);
            $words .= ($isLatest ? 'set it last' : 'the highest')." of our own, before {$rival->name} with {$level}; ";
        }

        return $words.$this->reason($layer, $slot).'.';
    }

    private function reason(Contributor $winner, int $slot): string
    {
        $sharing = $this->control->at($slot);
        $merged = $this->merger->reason($sharing, $winner, $slot);
        if ($winner instanceof Source && $this->control->bySlot) {
            return 'its priority for this slot, '.SlotPriorities::of(
                $winner,
                $this->rules->wide->coarse($slot),
            ).', is the highest'
                .(\count($sharing) > 1 ? '; among equals, '.$merged : '');
        }
        if ($winner instanceof Layer && $winner->priority === null) {
            return \count($sharing) > 1 ? $merged : 'no sender is in control here, ours has it';
        }
        $beaten = array_filter(
            $this->contributors,
            fn(Contributor $one): bool => ! \in_array($one, $sharing, true) && ! ($one instanceof Layer && ! $one->gives($slot)),
        );
        $isLastResort = static fn(Contributor $one): bool => $one instanceof Source && $one->lastResort;
        $rivals = array_filter($beaten, static fn(Contributor $one): bool => $isLastResort($one) === $isLastResort($winner));

        return match (true) {
            $beaten === [] => $merged,
            $winner instanceof Source && $this->rules->chosen !== '' => 'its port is the chosen one',
            $rivals === [] => 'what is there besides is a source of last resort',
            default => 'priority '.self::priority($winner).' is above '.max(array_map(self::priority(...), $rivals)),
        };
    }

    private static function priority(Contributor $one): int
    {
        return $one instanceof Source || $one instanceof Layer ? (int) $one->priority : 0;
    }
}
