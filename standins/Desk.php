<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\StandIn\Link\Datagrams;
use NimbleJunction\StandIn\Link\Habits;
use Revolt\EventLoop;

/** What all simulated desks share: faders, a cable that can be pulled, and the habit of sending all the time or thinly. */
abstract class Desk implements Device
{
    private const TICK_SECONDS = 0.025;

    /** What thinned output repeats after (common practice, no source), and what is too slow for some receivers. */
    private const THIN_SECONDS = 0.5;
    private const SLOW_SECONDS = 3.5;
    protected readonly Habits $habits;
    protected readonly Faders $faders;
    protected bool $cable = true;
    protected bool $thins = false;
    protected int $sequence = 0;
    protected ?Datagrams $socket = null;
    private ?string $ticker = null;
    private string $sent = '';
    private float $sentAt = 0.0;
    private int $packets = 0;

    /** @param string $to "address:port" of what it sends to */
    public function __construct(
        private readonly string $id,
        protected readonly string $name,
        protected readonly string $address,
        protected readonly string $to,
    ) {
        $this->faders = new Faders();
        $this->habits = new Habits(Habits::SLOW, Habits::WRONG_UNIVERSE, Habits::LOSS, Habits::JITTER);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->socket = $this->open();
        $this->ticker = EventLoop::repeat(self::TICK_SECONDS, $this->tick(...));
    }

    public function stop(): void
    {
        EventLoop::cancel($this->ticker ?? '');
        $this->socket?->close();
        $this->socket = null;
    }

    public function state(): array
    {
        return [
            'id' => $this->id,
            'kind' => 'desk',
            'name' => $this->name,
            'address' => $this->address,
            'to' => $this->to,
            'levels' => $this->faders->levels,
            'playing' => $this->faders->playing(hrtime(true) / 1e9),
            'motion' => $this->faders->motion,
            'cable' => $this->cable,
            'thins' => $this->thins,
            'packets' => $this->packets,
            'habits' => $this->habits->state(),
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'fader' => $this->faders->set(
                Values::whole($values, 'fader', 1, Faders::COUNT),
                Values::whole($values, 'level', 0, 255),
            ),
            'motion' => $this->faders->motion = Values::word($values, 'motion', Faders::MOTIONS),
            'cable' => $this->cable = Values::flag($values, 'in'),
            'thins' => $this->thins = Values::flag($values, 'on'),
            'broken' => $this->sendBroken(),
            'habit' => $this->habits->play($values),
            default => throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\"."),
        };
    }

    abstract protected function open(): Datagrams;

    /** @return list<string> the packets that carry these levels */
    abstract protected function packets(string $slots): array;

    /** The universe number that it really sends. */
    protected function numbered(int $number): int
    {
        return $number + ($this->habits->has(Habits::WRONG_UNIVERSE) ? 1 : 0);
    }

    protected function send(string $bytes): void
    {
        if ($this->cable) {
            ++$this->packets;
            $this->habits->send(fn() => $this->socket?->send($bytes, $this->to));
        }
    }

    /** What Art-Net counts: 1 to 255, as 0 says that nothing is counted (Art-Net 4, ArtDmx, from memory). */
    protected function nextSequence(): int
    {
        return $this->sequence % 255 + 1;
    }

    private function tick(): void
    {
        $now = hrtime(true) / 1e9;
        $slots = $this->faders->slots($now);
        $rest = $this->habits->has(Habits::SLOW) ? self::SLOW_SECONDS : ($this->thins ? self::THIN_SECONDS : 0.0);
        if ($slots === $this->sent && $now - $this->sentAt < $rest) {
            return;
        }
        $this->sent = $slots;
        $this->sentAt = $now;
        $this->sequence = $this->nextSequence();
        array_map($this->send(...), $this->packets($slots));
    }

    /** One packet of each kind that a receiver has to refuse. */
    private function sendBroken(): void
    {
        $good = $this->packets(str_repeat("\xFF", 512))[0] ?? '';
        foreach (Breakage::of($good) as $bytes) {
            $this->send($bytes);
        }
    }
}
