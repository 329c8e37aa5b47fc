<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn\Link;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\StreamParser;
use NimbleJunction\Core\Wire\RtpMidi\Outcome;
use NimbleJunction\Core\Wire\RtpMidi\Session;
use NimbleJunction\Core\Wire\RtpMidi\SessionState;
use Revolt\EventLoop;

/** A network MIDI session (RTP-MIDI) that invites the other end, and again when it is lost. */
final class NetworkMidi implements MidiLink
{
    private const LOOK_EVERY_SECONDS = 0.25;
    private const INVITE_AGAIN_SECONDS = 1.0;
    private Session $session;
    private ?Datagrams $control = null;
    private ?Datagrams $data = null;
    private ?string $timer = null;
    private float $invitedAt = 0.0;

    /** @var \Closure(\NimbleJunction\Core\Wire\Midi\MidiMessage): void */
    private \Closure $heard;

    /** @param string $to address of the end that is invited */
    public function __construct(
        private readonly string $name,
        private readonly string $address,
        private readonly int $port,
        private readonly string $to,
        private readonly int $toPort = Session::CONTROL_PORT,
        private readonly Habits $habits = new Habits(),
    ) {
        $this->session = new Session($name, random_int(1, 0xFFFFFFFF));
        $this->heard = static function (): void {
        };
    }

    public function start(\Closure $heard): void
    {
        $this->heard = $heard;
        $this->control = new Datagrams($this->address, $this->port, fn(string $bytes) => $this->arrived(false, $bytes));
        $this->data = new Datagrams($this->address, $this->port + 1, fn(string $bytes) => $this->arrived(true, $bytes));
        $this->timer = EventLoop::repeat(self::LOOK_EVERY_SECONDS, $this->look(...));
        $this->look();
    }

    public function send(string $bytes): void
    {
        $this->carryOut($this->session->send([$bytes], (int) hrtime(true)), lossy: true);
    }

    public function isOpen(): bool
    {
        return $this->session->state() === SessionState::Open;
    }

    public function spelled(): string
    {
        return "network session \"{$this->name}\", {$this->address}:{$this->port} to {$this->to}:{$this->toPort}";
    }

    public function stop(): void
    {
        EventLoop::cancel($this->timer ?? '');
        $this->carryOut($this->session->end());
        $this->control?->close();
        $this->data?->close();
        $this->control = $this->data = null;
    }

    private function look(): void
    {
        $now = (int) hrtime(true);
        $resting = \in_array($this->session->state(), [SessionState::Idle, SessionState::Lost, SessionState::Rejected], true);
        if ($resting && $now / 1e9 - $this->invitedAt >= self::INVITE_AGAIN_SECONDS) {
            $this->invitedAt = $now / 1e9;
            $this->carryOut($this->session->invite(random_int(1, 0xFFFFFFFF), $now));
        } elseif ($this->session->dueAt() <= $now) {
            $this->carryOut($this->session->wake($now));
        }
    }

    private function arrived(bool $atData, string $bytes): void
    {
        try {
            $this->carryOut($this->session->arrived($atData, $bytes, (int) hrtime(true)));
        } catch (Malformed) {
            // What cannot be read is passed over.
        }
    }

    private function carryOut(Outcome $outcome, bool $lossy = false): void
    {
        foreach ($outcome->control as $bytes) {
            $this->control?->send($bytes, "{$this->to}:{$this->toPort}");
        }
        foreach ($outcome->data as $bytes) {
            $send = fn() => $this->data?->send($bytes, $this->to.':'.($this->toPort + 1));
            $lossy ? $this->habits->send($send) : $send();
        }
        foreach ($outcome->midi as $command) {
            foreach ((new StreamParser())->push($command) as $one) {
                if (! $one->what instanceof Malformed) {
                    ($this->heard)($one->what);
                }
            }
        }
    }
}
