<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Learn;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Scope\SlotCandidate;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Said\LearnCandidate;
use NimbleJunction\Engine\Said\Moved;

/**
 * Which points people touch: those that they set, press or hold in the product, and those whose levels move because
 * somebody moves them elsewhere. What listens at a slot is meant, where the patch knows it.
 */
final readonly class FromTouch implements Source
{
    /** How far a slot has to move to be what somebody touched. Our own choice. */
    private const LEAST_SCORE = 0.05;

    public function __construct(private Junction $junction)
    {
    }

    public function candidates(string $of, int $now): array
    {
        $lines = [];
        foreach ($this->junction->probes->touches->lately($now) as [$point, $count, $at]) {
            $meant = $this->meant($point);
            $lines[$meant] ??= fn(): LearnCandidate => $this->line($meant, $count, $at, []);
        }
        foreach ($this->moving($now) as [$universeId, $one]) {
            $slot = $one->slot + 1;
            $meant = $this->atSlot($universeId, $slot);
            $moved = [new Moved(1, $one->movement->low, $one->movement->high)];
            $lines[$meant] ??= fn(): LearnCandidate => $this->line($meant, $one->count, $one->at, $moved);
        }

        return array_values($lines);
    }

    /** @return list<array{string, SlotCandidate}> slots of all universes with them, the one that moved most first */
    private function moving(int $now): array
    {
        $moving = [];
        foreach ($this->junction->universes() as $id => $universe) {
            foreach ($this->junction->probes->touched->candidates((string) $id, $universe->levels, $now) as $one) {
                if ($one->movement->score() >= self::LEAST_SCORE) {
                    $moving[] = [(string) $id, $one];
                }
            }
        }
        usort(
            $moving,
            static fn(array $a, array $b): int => [$b[1]->movement->score(), $b[1]->at] <=> [$a[1]->movement->score(), $a[1]->at],
        );

        return $moving;
    }

    /** A hold of a slot means what listens there. */
    private function meant(Reference $point): string
    {
        $slot = $point->slot();

        return $slot !== null && \in_array($point->kind, ['slot', 'hold'], true)
            ? $this->atSlot($point->id, $slot + 1)
            : $point->text();
    }

    /** @param int $slot 1 to 512 */
    private function atSlot(string $universeId, int $slot): string
    {
        foreach ($this->junction->plan()->patch->at($universeId, $slot) as [$fixture, $placed]) {
            if ($fixture->profileId !== '') {
                return "fixture:{$fixture->id}/{$placed->key}";
            }
        }

        return "slot:{$universeId}/{$slot}";
    }

    /** @param list<Moved> $moved */
    private function line(string $point, int $count, int $at, array $moved): LearnCandidate
    {
        $reference = Reference::parse($point);
        $name = $reference === null ? null : $this->junction->points()->describe($reference)?->name;
        $name ??= $this->junction->names()->point($point);

        return new LearnCandidate($point, $name, $name, $count, Engine::millis($at), $moved, [], 1);
    }
}
