<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** What is kept of timelines over a restart: where each is, whether it plays, how fast, and what goes round. */
final readonly class KeptTimelines implements Room
{
    public function __construct(private Timelines $timelines)
    {
    }

    public function key(): string
    {
        return 'timelines';
    }

    public function revisions(): array
    {
        $isTouched = static fn(LiveTimeline $live): bool => $live->isOn
            || $live->rate !== 1.0
            || $live->loops !== null
            || $live->seenAt > 0.0;

        return array_map(fn(): int => $this->timelines->acts, array_filter($this->timelines->live(), $isTouched));
    }

    public function kept(string $part, int $now): array
    {
        $live = $this->timelines->live()[$part];

        return [
            'at' => $live->pace->at($now),
            'on' => $live->isOn,
            'playing' => $live->isPlaying,
            'rate' => $live->rate,
            'loops' => $live->loops === null ? null : (int) $live->loops,
            'round' => $live->round,
            'set' => $live->set,
            'before' => $live->before,
            'clips' => array_keys($live->nested),
        ];
    }

    /**
     * Each goes on where it would be by now.
     *
     * @param int $away nanoseconds since it was written down
     */
    public function restore(Stored $stored, int $now, int $away): void
    {
        foreach ($this->timelines->live() as $id => $live) {
            $part = $stored->part((string) $id);
            $at = $part->scalar('at');
            $rate = $part->scalar('rate');
            if (! is_numeric($at)) {
                continue;
            }
            $live->rate = is_numeric($rate) ? max(Timelines::LOWEST_RATE, min(Timelines::HIGHEST_RATE, (float) $rate)) : 1.0;
            $live->loops = $part->whole('loops', 0, 1) === null ? null : $part->whole('loops', 0, 1) === 1;
            $round = array_values(array_filter(
                $part->list('round'),
                static fn(mixed $one): bool => \is_float($one) || \is_int($one),
            ));
            $live->round = \count($round) === 2 && $round[0] < $round[1] ? [(float) $round[0], (float) $round[1]] : null;
            $live->nested = array_fill_keys($part->texts('clips'), true);
            $before = $part->part('before');
            foreach ($before->names() as $point) {
                $live->before[$point] = $before->scalar($point);
            }
            $live->set = self::sets($part->part('set'));
            $isOn = $part->flag('on');
            $isPlaying = $isOn && $part->flag('playing');
            $live->run($isPlaying, $now);
            $to = max(0.0, (float) $at);
            $this->timelines->putBack(
                $live,
                $isPlaying ? $live->wrapped($live->pace->later($to, $away)) : $to,
                $isOn,
                $isPlaying,
                $now,
            );
        }
    }

    /** @return array<string, array<string, float>> when points were set, by the route that did it */
    private static function sets(Stored $stored): array
    {
        $sets = [];
        foreach ($stored->names() as $owner) {
            $points = $stored->part($owner);
            foreach ($points->names() as $point) {
                $at = $points->scalar($point);
                $sets[$owner][$point] = is_numeric($at) ? (float) $at : 0.0;
            }
        }

        return $sets;
    }
}
