<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Universe\Universe;

/** What people hold by hand, as it is kept over a restart: with the time that is left. */
final readonly class HeldSlots implements Room
{
    private const LONGEST_NANOS = 86_400_000_000_000;

    public function __construct(private Universes $universes)
    {
    }

    public function key(): string
    {
        return 'holds';
    }

    public function revisions(): array
    {
        $touched = array_filter($this->universes->all(), static fn(Universe $universe): bool => $universe->hands > 0);

        return array_map(static fn(Universe $universe): int => $universe->hands, $touched);
    }

    public function kept(string $part, int $now): array
    {
        return array_map(
            static fn(Hold $hold): array => self::written($hold, $now),
            array_values($this->universes->find($part)?->wayOut()->holds() ?? []),
        );
    }

    /**
     * @param Stored $stored lists of holds, by universe
     * @param int $away nanoseconds since it was written down
     */
    public function restore(Stored $stored, int $now, int $away): void
    {
        foreach ($this->universes->all() as $universe) {
            foreach ($stored->parts($universe->id, Frame::SLOTS) as $part) {
                $hold = self::read($part, $now - $away);
                if ($hold !== null && $hold->until > $now) {
                    $universe->hold($hold);
                    $this->universes->dueAt = min($this->universes->dueAt, $hold->until);
                }
            }
        }
    }

    /** @return array<string, mixed> */
    private static function written(Hold $hold, int $now): array
    {
        return [
            'slot' => $hold->slot,
            'level' => $hold->level,
            'by' => $hold->by,
            'unlocked' => $hold->isUnlocked,
            'left' => $hold->until - $now,
            'lights' => $hold->lights,
            'under' => $hold->under === null ? null : self::written($hold->under, $now),
        ];
    }

    /** @param int $then when it was written down */
    private static function read(Stored $part, int $then): ?Hold
    {
        $slot = $part->whole('slot', 0, Frame::SLOTS - 1);
        $level = $part->whole('level', 0, 255);
        $left = $part->whole('left', 1, self::LONGEST_NANOS);
        if ($slot === null || $level === null || $left === null) {
            return null;
        }
        $lights = $part->text('lights');
        $under = $lights === '' ? null : self::read($part->part('under'), $then);

        return new Hold($slot, $level, $part->text('by'), $then + $left, $part->flag('unlocked'), $lights, $under);
    }
}
