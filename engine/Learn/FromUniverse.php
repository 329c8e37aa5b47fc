<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Learn;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Scope\SlotCandidate;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Said\LearnCandidate;
use NimbleJunction\Engine\Said\LearnWay;
use NimbleJunction\Engine\Said\Moved;

/** Which slots of a universe move. */
final readonly class FromUniverse implements Source
{
    public function __construct(private Junction $junction)
    {
    }

    public function candidates(string $of, int $now): array
    {
        $universe = $this->junction->universes()[$of] ?? null;

        return array_map(
            fn(SlotCandidate $one): \Closure => fn(): LearnCandidate => $this->line("slot:{$of}/".($one->slot + 1), $one),
            $universe === null ? [] : $this->junction->probes->slots->candidates($of, $universe->levels, $now),
        );
    }

    private function line(string $point, SlotCandidate $one): LearnCandidate
    {
        $name = $this->junction->names()->point($point);

        return new LearnCandidate(
            $point,
            $name,
            $name,
            $one->count,
            Engine::millis($one->at),
            [new Moved(1, $one->movement->low, $one->movement->high)],
            [
                new LearnWay('this slot at any level', ['kind' => 'slot', 'point' => $point]),
                new LearnWay('when it rises through half', ['kind' => 'slot', 'point' => $point, 'rises' => 128]),
                new LearnWay('when it falls to nothing', ['kind' => 'slot', 'point' => $point, 'falls' => 0]),
            ],
            1,
        );
    }
}
