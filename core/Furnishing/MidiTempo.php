<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Timeline\TempoChange;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\TempoMap;

/** Tempos and time signatures of a Standard MIDI File as the tempo map of a timeline. */
final readonly class MidiTempo
{
    /** Without a time signature a file has four quarter notes a bar (Standard MIDI Files 1.0, from memory). */
    private const USUAL_BAR = 4.0;

    /** So exact are places and tempos: what is left adds up to less than a tick. */
    private const DIGITS = 7;

    public function __construct(private MidiSource $source)
    {
    }

    /** @return list<array{at: float, bpm: float, bar: float}> rising; none where the file says neither, or counts frames */
    public function changes(): array
    {
        $said = $this->source->file->division->framesPerSecond === null ? $this->said() : [];
        $changes = [];
        $micros = TempoMap::USUAL_MICROS;
        $bar = self::USUAL_BAR;
        foreach ($said as $tick => $one) {
            $micros = $one['micros'] ?? $micros;
            $bar = $one['bar'] ?? $bar;
            $bpm = round(max(TempoChange::SLOWEST, min(TempoChange::FASTEST, 60e6 / $micros)), self::DIGITS);
            $last = $changes === [] ? null : $changes[\count($changes) - 1];
            if ($last === null || $last['bpm'] !== $bpm || $last['bar'] !== $bar) {
                $changes[] = ['at' => round($this->source->exactly($tick), self::DIGITS), 'bpm' => $bpm, 'bar' => $bar];
            }
        }

        return $changes;
    }

    /** @return array<int, array{micros?: int, bar?: float}> by tick, rising */
    private function said(): array
    {
        $said = [];
        foreach ($this->source->file->tracks as $track) {
            $tick = 0;
            foreach ($track->events as $event) {
                $tick += $event->delta;
                $micros = $event->tempoMicros();
                if ($micros !== null && $micros > 0) {
                    $said[$tick]['micros'] = $micros;
                }
                if ($event->isMeta(Event::TIME_SIGNATURE) && \strlen($event->bytes) >= 2) {
                    $said[$tick]['bar'] = max(0.25, min(64.0, \ord($event->bytes[0]) * 4 / 2 ** min(6, \ord($event->bytes[1]))));
                }
            }
        }
        ksort($said);

        return $said;
    }
}
