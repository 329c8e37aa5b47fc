<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Programme\BeatClock;
use NimbleJunction\Core\Programme\ClockTempo;
use NimbleJunction\Core\Programme\Taps;
use NimbleJunction\Core\Programme\Tempo;

/** A tempo at work: its clock, and the sources that say how fast it is. */
final class LiveTempo
{
    public const HAND = 'hand';
    public const MESSAGE = 'message';
    public const CLOCK = 'clock';

    private const TICKS = 24;

    public readonly BeatClock $clock;
    public readonly Taps $taps;

    /** Until when messages lead before a hand. */
    public int $messageUntil = 0;

    /** Port whose clock leads; '' for none. */
    public string $leader = '';

    /** Whether a clock led that is lost: it carries on by itself. */
    public bool $isCarriedOn = false;

    /** The beat, and the tick of the clock that it sends, that were told last. */
    public int $toldBeat = \PHP_INT_MIN;
    public int $toldTick = \PHP_INT_MIN;

    /** The tempo that was told last. */
    public float $toldTempo;

    /** @var array<string, ClockTempo> by port */
    private array $clocks = [];

    public function __construct(public Tempo $tempo)
    {
        $this->clock = new BeatClock($tempo->start);
        $this->taps = new Taps();
        $this->toldTempo = $tempo->start;
    }

    /** A clock ticks at a port: the best that is alive is followed. */
    public function tick(string $portId, int $now): void
    {
        $clock = $this->clocks[$portId] ??= new ClockTempo();
        $clock->tick($now);
        $this->look($now);
        if ($this->leader === $portId && $clock->isAlive($now)) {
            [$bpm, $beat] = $clock->line();
            if ($bpm > 0.0) {
                $this->clock->setTempo($bpm, $now);
                // Where the beat is is the clock's to say; which of all beats it is stays ours.
                $this->clock->place($beat + round($this->clock->at($now) - $beat), $now);
            }
        }
    }

    /** A sequencer starts at a port: its first beat is the next tick. */
    public function start(string $portId, int $now): void
    {
        ($this->clocks[$portId] ??= new ClockTempo())->start();
        if ($this->rank($portId) !== null) {
            $this->clock->place(0.0, $now);
            $this->toldBeat = -1;
        }
    }

    /** Who leads now: the first of the clocks that are alive. */
    public function look(int $now): void
    {
        $before = $this->leader;
        $this->leader = '';
        foreach ($this->tempo->clocks as $port) {
            if (($this->clocks[$port] ?? null)?->isAlive($now) === true) {
                $this->leader = $port;
                break;
            }
        }
        $this->isCarriedOn = $this->leader === '' && ($before !== '' || $this->isCarriedOn);
    }

    /** When look() may say otherwise: the leading clock may be lost then. */
    public function lostAt(): int
    {
        $last = $this->leader === '' ? null : ($this->clocks[$this->leader] ?? null)?->lastAt();

        return $last === null ? \PHP_INT_MAX : $last + ClockTempo::LOST_NANOS + 1;
    }

    /** @return string why a hand, or a message, does not count now; '' where it does */
    public function refusal(bool $isHand, int $now): string
    {
        if ($this->leader !== '') {
            return 'the clock of a port leads';
        }

        return $isHand && $now < $this->messageUntil ? 'messages say the tempo' : '';
    }

    /** Who says how fast it is. */
    public function source(int $now): string
    {
        return $this->leader !== '' ? self::CLOCK : ($now < $this->messageUntil ? self::MESSAGE : self::HAND);
    }

    public function beat(int $now): int
    {
        return (int) floor($this->clock->at($now) + 1e-6);
    }

    /** @return int the place of a beat in its bar, from 1 */
    public function placeInBar(int $beat): int
    {
        $bar = $this->tempo->bar;

        return (($beat % $bar) + $bar) % $bar + 1;
    }

    public function ticks(int $now): int
    {
        return (int) floor($this->clock->at($now) * self::TICKS + 1e-6);
    }

    /** When the next beat, or the next tick where it sends its clock, falls. */
    public function dueAt(int $now): int
    {
        $due = min($this->clock->when($this->beat($now) + 1.0), $this->lostAt());

        return $this->tempo->sends === [] ? $due : min($due, $this->clock->when(($this->ticks($now) + 1) / self::TICKS));
    }

    private function rank(string $portId): ?int
    {
        $rank = array_search($portId, $this->tempo->clocks, true);

        return \is_int($rank) ? $rank : null;
    }
}
