<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\TempoChange;
use NimbleJunction\Core\Timeline\TempoMap;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Wire\MidiFile\Event;

/** Places of a timeline as ticks of a Standard MIDI File, by its tempo map, or by the one tempo that it has. */
final readonly class MidiTicks
{
    /** Ticks a quarter note. */
    public const TICKS = 960;

    /** Beats a minute of a timeline that says none. */
    private const USUAL = 120.0;

    /** Clocks of a metronome click, and thirty-seconds a quarter note, as every file says them. */
    private const METRONOME = "\x18\x08";

    /** @var list<TempoChange> rising; the first is at the beginning */
    private array $changes;
    private TempoMap $map;

    public function __construct(Show $show, private Timeline $timeline)
    {
        $changes = $timeline->changes;
        usort($changes, static fn(TempoChange $one, TempoChange $other): int => $one->at <=> $other->at);
        $tempo = $timeline->unit === 'beats' ? $show->tempos[$timeline->tempo] ?? array_values($show->tempos)[0] ?? null : null;
        $first = $changes[0] ?? new TempoChange(
            0.0,
            $tempo === null ? self::USUAL : max(TempoChange::SLOWEST, $tempo->start),
            $tempo->bar ?? 4,
        );
        $this->changes = [
            new TempoChange(0.0, $first->bpm, $first->bar),
            ...array_filter($changes, static fn(TempoChange $one): bool => $one->at > 0.0),
        ];
        $this->map = new TempoMap($this->changes, $timeline->unit === 'beats');
    }

    public function at(float $at): int
    {
        $beat = $this->timeline->unit === 'beats' ? $at : $this->map->beatAt($at);

        return (int) round($beat * self::TICKS);
    }

    /** @return list<array{int, Event}> tempos and time signatures, each with its tick */
    public function events(): array
    {
        $events = [];
        $bpm = $bar = 0.0;
        foreach ($this->changes as $change) {
            $tick = $this->at($change->at);
            if ($change->bpm !== $bpm) {
                $events[] = [$tick, Event::tempo(0, (int) round(60e6 / $change->bpm))];
            }
            if ($change->bar !== $bar) {
                $events[] = [$tick, Event::meta(0, Event::TIME_SIGNATURE, self::signature($change->bar))];
            }
            [$bpm, $bar] = [$change->bpm, $change->bar];
        }

        return $events;
    }

    /** @return string beats a bar as a fraction: 3.5 quarter notes are 7/8 */
    private static function signature(float $bar): string
    {
        $power = 2;
        while ($power < 6 && fmod($bar * 2 ** $power / 4, 1.0) !== 0.0) {
            ++$power;
        }

        return \chr(max(1, min(255, (int) round($bar * 2 ** $power / 4)))).\chr($power).self::METRONOME;
    }
}
