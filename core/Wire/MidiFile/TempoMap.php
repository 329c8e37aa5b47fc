<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\MidiFile;

/** From ticks to time, over all tempo changes of a file. Exact: nothing is rounded before the end. */
final readonly class TempoMap
{
    /** Without a tempo a file plays at 120 quarter notes a minute (Standard MIDI Files 1.0). */
    public const USUAL_MICROS = 500_000;

    /** @param list<array{tick: int, at: int, micros: int}> $changes rising; "at" is in nanoseconds × ticks a quarter note */
    private function __construct(private Division $division, private array $changes)
    {
    }

    public static function of(File $file): self
    {
        $found = [];
        foreach ($file->tracks as $track) {
            $tick = 0;
            foreach ($track->events as $event) {
                $tick += $event->delta;
                $micros = $event->tempoMicros();
                if ($micros !== null) {
                    $found[$tick] = $micros;
                }
            }
        }
        ksort($found);
        $changes = [['tick' => 0, 'at' => 0, 'micros' => self::USUAL_MICROS]];
        foreach ($found as $tick => $micros) {
            $last = $changes[\count($changes) - 1];
            $change = [
                'tick' => $tick,
                'at' => $last['at'] + ($tick - $last['tick']) * $last['micros'] * 1000,
                'micros' => $micros,
            ];
            if ($tick === $last['tick']) {
                $changes[\count($changes) - 1] = $change;
            } else {
                $changes[] = $change;
            }
        }

        return new self($file->division, $changes);
    }

    /** Nanoseconds from the beginning, rounded down. */
    public function nanosAt(int $tick): int
    {
        $frames = $this->division->framesPerSecond;
        if ($frames !== null) {
            [$frames, $seconds] = $frames === 29 ? [30000, 1001] : [$frames, 1];

            return intdiv($tick * $seconds * 1_000_000_000, $frames * $this->division->ticks);
        }
        $in = $this->changes[0];
        foreach ($this->changes as $change) {
            if ($change['tick'] > $tick) {
                break;
            }
            $in = $change;
        }

        return intdiv($in['at'] + ($tick - $in['tick']) * $in['micros'] * 1000, $this->division->ticks);
    }

    /** @return list<array{tick: int, micros: int}> where the tempo changes, and to how many microseconds a quarter note */
    public function changes(): array
    {
        return array_map(
            static fn(array $change): array => ['tick' => $change['tick'], 'micros' => $change['micros']],
            $this->changes,
        );
    }
}
