<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Outage;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/**
 * The outages of each port, as they are kept over a restart. Their times are
 * those of the machine's clock that never runs backwards: what would lie in the
 * future is from before the machine itself started, and is left out.
 */
final readonly class KeptOutages implements Room
{
    private const MOST = 200;
    private const LONGEST = 1000;

    public function __construct(private Activities $activities)
    {
    }

    public function key(): string
    {
        return 'outages';
    }

    public function revisions(): array
    {
        $revisions = [];
        foreach ($this->activities->all() as $portId => $activity) {
            $revisions[$portId] = $activity->streams->ended();
        }

        return array_filter($revisions);
    }

    public function kept(string $part, int $now): array
    {
        $ended = array_filter(
            $this->activities->of($part)->streams->outages($now),
            static fn(Outage $one): bool => $one->until !== null,
        );

        return array_map(
            static fn(Outage $one): array => [
                'from' => $one->from,
                'until' => $one->until,
                'what' => $one->what,
                'meanwhile' => $one->meanwhile,
            ],
            \array_slice(array_values($ended), 0, self::MOST),
        );
    }

    /** @param Stored $stored lists of outages, by port */
    public function restore(Stored $stored, Plan $plan, int $now): void
    {
        foreach (array_keys($plan->ports) as $portId) {
            $kept = [];
            foreach ($stored->parts((string) $portId, self::MOST) as $part) {
                $from = $part->whole('from', 0, $now);
                $until = $part->whole('until', $from ?? 0, $now);
                if ($from !== null && $until !== null) {
                    $kept[] = new Outage(
                        $from,
                        $until,
                        $part->text('what', self::LONGEST),
                        $part->text('meanwhile', self::LONGEST),
                    );
                }
            }
            if ($kept !== []) {
                $this->activities->of((string) $portId)->streams->remember($kept);
            }
        }
    }
}
