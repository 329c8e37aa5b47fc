<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;
use NimbleJunction\Core\Signal\Protocol;

/** Whether the other end is heard; if it is not, what stands for where its packets go instead. */
final readonly class IsAnythingHeard implements Question
{
    public const WORDS = 'Is anything heard?';
    private const LATELY_NANOS = 3_000_000_000;

    /** A message comes when somebody moves something. */
    private const MESSAGE_NANOS = 60_000_000_000;

    public function ask(Scene $scene): array
    {
        if (! $scene->port->receives()) {
            return [];
        }

        $elsewhere = new WhereDoesItGo();

        return [
            $this->heard($scene, self::LATELY_NANOS)
            ?? $elsewhere->since($scene, $scene->seen->activity->heardAt ?? 0)
            ?? ($scene->carriesLevels() ? null : $this->heard($scene, self::MESSAGE_NANOS))
            ?? $elsewhere->found($scene)
            ?? $this->silent($scene),
        ];
    }

    public static function lately(Scene $scene, int $nanos = self::LATELY_NANOS): bool
    {
        $activity = $scene->seen->activity;
        $isRecent = $activity->heardAt !== null && $scene->now - $activity->heardAt < $nanos;

        return $isRecent && ($scene->other === '' || isset($activity->senders[$scene->other]));
    }

    private function heard(Scene $scene, int $nanos): ?Finding
    {
        $activity = $scene->seen->activity;
        if (! self::lately($scene, $nanos)) {
            return null;
        }
        $seconds = intdiv($scene->now - (int) $activity->heardAt, 1_000_000_000);

        return Finding::right(
            self::WORDS,
            'Yes: '.$activity->lastWords().", from {$activity->heardFrom}".($seconds < 3 ? '' : ", {$seconds} s ago").'.',
        );
    }

    private function silent(Scene $scene): Finding
    {
        $activity = $scene->seen->activity;
        if ($activity->heardAt !== null && $scene->now - $activity->heardAt < self::LATELY_NANOS) {
            $others = implode(', ', array_diff(array_keys($activity->senders), [$scene->other]));

            return Finding::wrong(
                self::WORDS,
                "Nothing from {$scene->other}, but from {$others}.",
                'Is that the address that it really has?',
            );
        }
        $words = $activity->heardAt === null ? 'Nothing has been heard here yet.' : 'Nothing has been heard here lately.';
        if (! $scene->carriesLevels()) {
            return Finding::open(self::WORDS, "{$words} Move it now, waiting…", $this->usual($scene));
        }

        return Finding::wrong(self::WORDS, $words, $this->usual($scene));
    }

    private function usual(Scene $scene): string
    {
        return match ($scene->port->protocol) {
            Protocol::Osc => "Its send port must be our receive port, {$scene->port->receive?->port}, and its destination one of our addresses.",
            Protocol::ArtNet, Protocol::Sacn => 'Is its output switched on, and does it send to us or to everybody?',
            default => 'Is it plugged in, and does it send?',
        };
    }
}
