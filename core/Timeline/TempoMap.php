<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

/**
 * Beats and seconds of a timeline whose tempo changes. Its first tempo counts before its place too. Exact but for what floats
 * round.
 */
final readonly class TempoMap
{
    /** @var list<array{float, float, float}> seconds, beat, beats a second from there on; rising */
    private array $spans;

    /**
     * @param list<TempoChange> $changes in any order, one at least
     * @param bool $inBeats whether they stand at beats, and not at seconds; those by seconds count beats from the first on
     */
    public function __construct(array $changes, bool $inBeats)
    {
        usort($changes, static fn(TempoChange $one, TempoChange $other): int => $one->at <=> $other->at);
        $spans = [];
        foreach ($changes as $i => $change) {
            $rate = $change->bpm / 60.0;
            if ($i === 0) {
                $spans[] = $inBeats ? [$change->at / $rate, $change->at, $rate] : [$change->at, 0.0, $rate];

                continue;
            }
            [$seconds, $beat, $before] = $spans[$i - 1];
            $spans[] = $inBeats
                ? [$seconds + ($change->at - $beat) / $before, $change->at, $rate]
                : [$change->at, $beat + ($change->at - $seconds) * $before, $rate];
        }
        $this->spans = $spans;
    }

    public function beatAt(float $seconds): float
    {
        [$from, $beat, $rate] = $this->spanAt($seconds, 0);

        return $beat + ($seconds - $from) * $rate;
    }

    public function secondsAt(float $beat): float
    {
        [$seconds, $from, $rate] = $this->spanAt($beat, 1);

        return $seconds + ($beat - $from) / $rate;
    }

    /** @return array{float, float, float} */
    private function spanAt(float $at, int $by): array
    {
        $low = 0;
        $high = \count($this->spans) - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($this->spans[$middle][$by] <= $at) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return $this->spans[$low];
    }
}
