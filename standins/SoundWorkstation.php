<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\FullFrame;
use NimbleJunction\Core\Wire\Midi\RealTime;
use NimbleJunction\Core\Wire\Midi\SystemCommon;
use NimbleJunction\Core\Wire\TimeCode;
use NimbleJunction\StandIn\Link\Habits;
use NimbleJunction\StandIn\Link\MidiLink;
use Revolt\EventLoop;

/**
 * Plays a song: clock at 24 a quarter note, time code in quarter frames at 25
 * frames a second, a note on each beat of a bar of four (36 to 39), and a
 * fader as controller 7. All from one transport.
 */
final class SoundWorkstation implements Device
{
    private const CHANNEL = 10;
    private const FIRST_NOTE = 36;
    private const TICK_SECONDS = 0.004;
    private const CLOCKS_A_BEAT = 24;
    private bool $playing = false;
    private float $seconds = 0.0;
    private float $tempo = 98.96;
    private int $fader = 0;
    private float $tickedAt = 0.0;
    private int $clocks = 0;
    private int $quarterFrames = 0;
    private int $sent = 0;
    private ?string $timer = null;

    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly MidiLink $link,
        private readonly Habits $habits,
    ) {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->link->start(static function (): void {
        });
        $this->timer = EventLoop::repeat(self::TICK_SECONDS, $this->tick(...));
    }

    public function stop(): void
    {
        EventLoop::cancel($this->timer ?? '');
        $this->link->stop();
    }

    public function state(): array
    {
        return [
            'id' => $this->id,
            'kind' => 'workstation',
            'name' => $this->name,
            'address' => $this->link->spelled(),
            'protocol' => 'MIDI',
            'open' => $this->link->isOpen(),
            'playing' => $this->playing,
            'timeCode' => $this->now()->spelled(),
            'beat' => (int) floor($this->beats()) % 4 + 1,
            'tempo' => $this->tempo,
            'fader' => $this->fader,
            'sent' => $this->sent, 'habits' => $this->habits->state(),
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'play' => $this->begin(),
            'stop' => $this->halt(),
            'locate' => $this->locate(Values::number($values, 'seconds', 0, 86_399)),
            'tempo' => $this->setTempo(Values::number($values, 'tempo', 20, 300)),
            'fader' => $this->send(
                ChannelMessage::controlChange(1, 7, $this->fader = Values::whole($values, 'level', 0, 127))->encode(),
            ),
            'habit' => $this->habits->play($values),
            default => throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\"."),
        };
    }

    private function begin(): void
    {
        if ($this->playing) {
            return;
        }
        $this->tell();
        $this->send(($this->seconds === 0.0 ? RealTime::Start : RealTime::Continue)->encode());
        $this->playing = true;
        $this->tickedAt = hrtime(true) / 1e9;
    }

    private function halt(): void
    {
        $this->playing && $this->send(RealTime::Stop->encode());
        $this->playing = false;
    }

    private function locate(float $seconds): void
    {
        $this->seconds = $seconds;
        $this->clocks = (int) ceil($this->beats() * self::CLOCKS_A_BEAT);
        $this->quarterFrames = (int) ceil($seconds * 100);
        $this->tell();
    }

    private function setTempo(float $tempo): void
    {
        $this->tempo = $tempo;
        $this->clocks = (int) ceil($this->beats() * self::CLOCKS_A_BEAT);
    }

    /** Where it stands: a song position in sixteenths, and a whole time. */
    private function tell(): void
    {
        $this->send(SystemCommon::songPosition(min(16383, (int) floor($this->beats() * 4)))->encode());
        $this->send((new FullFrame($this->now()))->message()->encode());
    }

    private function tick(): void
    {
        if (! $this->playing) {
            return;
        }
        $now = hrtime(true) / 1e9;
        $this->seconds += $now - $this->tickedAt;
        $this->tickedAt = $now;
        for ($end = (int) floor($this->beats() * self::CLOCKS_A_BEAT); $this->clocks <= $end; ++$this->clocks) {
            if ($this->clocks % self::CLOCKS_A_BEAT === 0) {
                $note = self::FIRST_NOTE + intdiv($this->clocks, self::CLOCKS_A_BEAT) % 4;
                $this->send(ChannelMessage::noteOn(self::CHANNEL, $note, 110)->encode());
                EventLoop::delay(0.05, fn() => $this->send(ChannelMessage::noteOff(self::CHANNEL, $note)->encode()));
            }
            $this->send(RealTime::TimingClock->encode());
        }
        for ($end = (int) floor($this->seconds * 100); $this->quarterFrames <= $end; ++$this->quarterFrames) {
            $this->sendQuarterFrame($this->quarterFrames);
        }
    }

    /** Eight pieces tell one time, that of the frame in which the first of them goes out. */
    private function sendQuarterFrame(int $number): void
    {
        $piece = $number % 8;
        $time = TimeCode::fromFrames(FrameRate::Ebu, intdiv($number - $piece, 4));
        $fields = [$time->frames, $time->seconds, $time->minutes, $time->hours];
        $value = $fields[intdiv($piece, 2)];
        $nibble = $piece % 2 === 0 ? $value & 15 : $value >> 4;
        $this->send(SystemCommon::quarterFrame($piece, $piece === 7 ? $nibble | 1 << 1 : $nibble)->encode());
    }

    private function now(): TimeCode
    {
        return TimeCode::fromFrames(FrameRate::Ebu, (int) floor($this->seconds * 25));
    }

    private function beats(): float
    {
        return $this->seconds * $this->tempo / 60;
    }

    private function send(string $bytes): void
    {
        ++$this->sent;
        $this->link->send($bytes);
    }
}
