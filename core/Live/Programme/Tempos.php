<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Live\Sending;
use NimbleJunction\Core\Message\Clock;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\BeatClock;
use NimbleJunction\Core\Programme\Programme;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Wire\Midi\RealTime;

/** Tempos: tapped, typed, taken from clocks and from messages; every beat is told, and sent where somebody asks for it. */
final class Tempos extends PlanRoom implements Room
{
    private const HIGHEST_BEAT = 1e9;
    private const LEAST = 0.005;

    /** @var array<string, LiveTempo> by id */
    private array $live = [];

    private int $acts = 0;
    private int $due = 0;

    /** @param \Closure(Reference, int|float|null, int|float|null): void $changed a point has another value, and had this one */
    public function __construct(private readonly Sending $sending, private readonly \Closure $changed)
    {
        parent::__construct();
    }

    public function adopt(Plan $plan): void
    {
        parent::adopt($plan);
        $live = [];
        foreach ($plan->programme->tempos as $id => $tempo) {
            $live[$id] = $this->live[$id] ?? new LiveTempo($tempo);
            $live[$id]->tempo = $tempo;
        }
        $this->live = $live;
        $this->due = 0;
    }

    /** @return array<string, LiveTempo> by id */
    public function live(): array
    {
        return $this->live;
    }

    /** The one of this id; the first one where none is named. */
    public function of(string $id): ?LiveTempo
    {
        return $id === '' ? array_values($this->live)[0] ?? null : $this->live[$id] ?? null;
    }

    /** A clock ticks, or a sequencer starts, at a port. */
    public function heard(string $portId, Clock $message, int $now): void
    {
        foreach ($this->live as $live) {
            if (! \in_array($portId, $live->tempo->clocks, true)) {
                continue;
            }
            $before = $live->clock->bpm();
            match ($message->what) {
                RealTime::TimingClock => $live->tick($portId, $now),
                RealTime::Start => $live->start($portId, $now),
                default => null,
            };
            $this->told($live, '', $live->clock->bpm(), $before);
            $this->due = 0;
        }
    }

    public function kinds(): array
    {
        return ['tempo'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function describe(Reference $reference): ?Point
    {
        if (! $this->plan->programme->has($reference)) {
            return null;
        }
        $name = ucfirst($this->plan->programme->said($reference));

        return match ($reference->part) {
            '' => new Point($reference, $name, PointKind::Number, BeatClock::SLOWEST, BeatClock::FASTEST, 'BPM', isSet: true),
            'beat' => new Point(
                $reference,
                $name,
                PointKind::Number,
                1.0,
                (float) $this->plan->programme->tempos[$reference->id]->bar,
            ),
            'bar' => new Point($reference, $name, PointKind::Number, 1.0, self::HIGHEST_BEAT),
            'running' => new Point($reference, $name, PointKind::Switch, isSet: true, isPressed: true),
            'nudge' => new Point($reference, $name, PointKind::Number, -100.0, 100.0, 'BPM', isSet: true),
            default => new Point($reference, $name, PointKind::Press, isPressed: true),
        };
    }

    public function read(Reference $reference): int|float|null
    {
        $live = $this->live[$reference->id] ?? null;

        if ($live === null) {
            return null;
        }
        $hasBegun = $live->toldBeat !== \PHP_INT_MIN;

        return match ($reference->part) {
            '' => $live->clock->bpm(),
            'beat' => $hasBegun ? $live->placeInBar($live->toldBeat) : null,
            'bar' => $hasBegun ? (int) floor($live->toldBeat / $live->tempo->bar) + 1 : null,
            'running' => (int) $live->clock->runs(),
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $live = $this->live[$reference->id] ?? null;
        if ($live === null || ! is_numeric($value)) {
            return $live === null ? 'there is no such tempo' : 'it is a number';
        }
        $isHand = ! str_starts_with($act->owner, 'route ');
        $refusal = \in_array($reference->part, ['', 'nudge'], true) ? $live->refusal($isHand, $now) : '';
        if ($refusal !== '') {
            return $refusal;
        }
        switch ($reference->part) {
            case '':
                $this->to($live, (float) $value, $now);
                $live->messageUntil = $isHand ? $live->messageUntil : $now + (int) ($live->tempo->holds * 1e9);
                break;
            case 'nudge':
                $this->to($live, $live->clock->bpm() + (float) $value, $now);
                break;
            case 'running':
                $before = (int) $live->clock->runs();
                $live->clock->run((float) $value > 0.0, $now);
                $this->told($live, '/running', (int) $live->clock->runs(), $before);
                break;
            default:
                // A button that is set to 1 is pressed; as it comes up nothing happens.
                return (float) $value > 0.0 ? $this->press($reference, $act, $now) : '';
        }
        ++$this->acts;
        $this->due = 0;

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $live = $this->live[$reference->id] ?? null;
        if ($live === null) {
            return 'there is no such tempo';
        }
        if (\in_array($reference->part, ['', 'beat', 'bar', 'nudge'], true)) {
            return 'it can be read or set, and not pressed';
        }
        if ($reference->part === 'running') {
            return $this->set($reference, 1 - (int) $live->clock->runs(), $act, $now);
        }
        $refusal = $reference->part === 'align' ? '' : $live->refusal(! str_starts_with($act->owner, 'route '), $now);
        if ($refusal !== '') {
            return $refusal;
        }
        if ($reference->part === 'tap') {
            $bpm = $live->taps->tap($now);
            if ($bpm !== null) {
                $this->to($live, $bpm, $now);
            }
            $live->clock->align($now);
        } elseif ($reference->part === 'align') {
            $live->clock->place(ceil($live->clock->at($now) / $live->tempo->bar) * $live->tempo->bar, $now);
        } else {
            $this->to($live, $live->clock->bpm() * ($reference->part === 'double' ? 2.0 : 0.5), $now);
        }
        $live->isCarriedOn = false;
        ++$this->acts;
        $this->due = 0;

        return '';
    }

    public function all(): iterable
    {
        foreach (array_keys($this->live) as $id) {
            foreach (Programme::TEMPO_PARTS as $part) {
                $reference = Reference::parse("tempo:{$id}".($part === '' ? '' : "/{$part}"));
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }

    /** When goOn() must be called next. */
    public function dueAt(): int
    {
        return $this->live === [] ? \PHP_INT_MAX : $this->due;
    }

    /** Beats that fall by now are told, and ticks sent. */
    public function goOn(int $now): void
    {
        if ($this->dueAt() > $now) {
            return;
        }
        $this->due = \PHP_INT_MAX;
        foreach ($this->live as $live) {
            $live->look($now);
            $beat = $live->beat($now);
            if ($beat !== $live->toldBeat && $live->clock->runs()) {
                $before = $live->toldBeat === \PHP_INT_MIN || $live->tempo->bar === 1 ? null : $live->placeInBar($live->toldBeat);
                $live->toldBeat = $beat;
                $this->told($live, '/beat', $live->placeInBar($beat), $before);
            }
            $tick = $live->ticks($now);
            if ($tick !== $live->toldTick && $live->clock->runs()) {
                $live->toldTick = $tick;
                foreach ($live->tempo->sends as $port) {
                    $this->sending->tick($port, new Clock(RealTime::TimingClock), $now);
                }
            }
            $this->due = min($this->due, max($live->dueAt($now), $now + 1));
        }
    }

    public function key(): string
    {
        return 'tempos';
    }

    public function revisions(): array
    {
        return $this->acts === 0 ? [] : array_fill_keys(array_keys($this->live), $this->acts);
    }

    public function kept(string $part, int $now): array
    {
        $live = $this->live[$part];

        return ['bpm' => $live->clock->bpm(), 'beat' => $live->clock->at($now), 'runs' => $live->clock->runs()];
    }

    /** @param int $away nanoseconds since it was written down */
    public function restore(Stored $stored, int $now, int $away): void
    {
        foreach ($this->live as $id => $live) {
            $part = $stored->part((string) $id);
            $bpm = $part->scalar('bpm');
            $beat = $part->scalar('beat');
            if (! is_numeric($bpm) || ! is_numeric($beat) || abs((float) $beat) > self::HIGHEST_BEAT) {
                continue;
            }
            $runs = $part->flag('runs', true);
            $live->clock->setTempo((float) $bpm, $now);
            $live->clock->run($runs, $now);
            $live->clock->place((float) $beat + ($runs ? $away * $live->clock->bpm() / 60e9 : 0.0), $now);
            $live->toldBeat = $live->beat($now);
            ++$this->acts;
        }
        $this->due = 0;
    }

    private function to(LiveTempo $live, float $bpm, int $now): void
    {
        $before = $live->clock->bpm();
        $live->clock->setTempo($bpm, $now);
        $live->isCarriedOn = false;
        $this->told($live, '', $live->clock->bpm(), $before);
    }

    private function told(LiveTempo $live, string $part, int|float $is, int|float|null $was): void
    {
        if ($part === '') {
            // A clock's tempo is never quite the same: what nobody could see is not told.
            $was = $live->toldTempo;
            $is = abs($is - $was) < self::LEAST ? $was : $is;
            $live->toldTempo = (float) $is;
        }
        $reference = Reference::parse("tempo:{$live->tempo->id}{$part}");
        if ($reference !== null && $is !== $was) {
            ($this->changed)($reference, $is, $was);
        }
    }
}
