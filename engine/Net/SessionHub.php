<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\Destination;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\RtpMidi\Outcome;
use NimbleJunction\Core\Wire\RtpMidi\Session;
use NimbleJunction\Core\Wire\RtpMidi\SessionCommand;
use NimbleJunction\Core\Wire\RtpMidi\SessionPacket;
use NimbleJunction\Core\Wire\RtpMidi\SessionState;
use Revolt\EventLoop;

/** The MIDI sessions over one pair of UDP ports: one with each end that we invite, and one with each guest that invites us. */
final class SessionHub
{
    private const LONGEST = 2048;
    private const GUEST = 'guest ';
    private const MOST_GUESTS = 16;

    /** @var array<string, Session> by "address:control port" of those invited, "guest address SSRC" of those that invite us */
    private array $sessions = [];

    /** @var array<string, array{string, int, int}> address, control port, data port, by session */
    private array $peers = [];

    /** @var array<string, Listener> by "control" and "data" */
    private array $listeners = [];
    private ?string $timer = null;
    private bool $closed = false;

    public function __construct(
        private readonly string $key,
        private readonly string $name,
        UdpSocket $control,
        UdpSocket $data,
        private readonly World $world,
    ) {
        foreach (['control' => $control, 'data' => $data] as $which => $socket) {
            $this->listeners[$which] = new Listener(
                $socket,
                self::LONGEST,
                fn(string $bytes, string $from, int $port) => $this->arrived($which === 'data', $bytes, $from, $port),
                $world->drained,
            );
        }
    }

    public static function freePair(string $address): int
    {
        for ($try = 0; $try < 20; ++$try) {
            $first = UdpSocket::bind($address, 0);
            $number = $first->port();
            $first->close();
            try {
                UdpSocket::bind($address, $number + 1)->close();

                return $number;
            } catch (CannotListen) {
                continue;
            }
        }

        throw CannotListen::at($address, 0, 'no two free UDP ports stand next to each other');
    }

    /** @param list<Destination> $peers whoever is not in a session with us is invited, again if need be */
    public function invite(array $peers): void
    {
        $wanted = [];
        foreach ($peers as $peer) {
            $who = $peer->spelled();
            $wanted[$who] = true;
            $this->peers[$who] = [$peer->address, $peer->port, $peer->port + 1];
            $session = $this->sessions[$who] ??= $this->session();
            if (\in_array($session->state(), [SessionState::Idle, SessionState::Lost, SessionState::Rejected], true)) {
                $this->carryOut($who, $session->invite(random_int(1, 0xFFFFFFFF), self::now()));
            }
        }
        foreach (array_keys(array_diff_key($this->sessions, $wanted)) as $who) {
            if (! self::isGuest($who)) {
                $this->carryOut($who, $this->sessions[$who]->end());
                $this->forget($who);
            }
        }
        $this->schedule();
    }

    /** @return string what went wrong, or '' */
    public function send(string $midi): string
    {
        $open = array_filter($this->sessions, static fn(Session $session): bool => $session->state() === SessionState::Open);
        foreach ($open as $who => $session) {
            $this->carryOut($who, $session->send([$midi], self::now()));
        }

        return $open === [] ? 'no session is open' : '';
    }

    /**
     * Once clocks have been compared: half of a round trip, and how unevenly packets come; in steps, so that pages are not
     * told all the time.
     */
    private static function figures(Session $session): string
    {
        if ($session->clocks()->offset() === null) {
            return '';
        }
        $latency = $session->clocks()->latency() / 10.0;
        $jitter = $session->jitter();
        $step = static fn(float $millis): string => $millis < 10.0
            ? number_format(round($millis * 2.0) / 2.0, 1)
            : (string) (int) round($millis, -1);

        return ", latency {$step($latency)} ms, jitter {$step($jitter)} ms";
    }

    /** @return list<string> */
    public function who(): array
    {
        $names = [];
        foreach ($this->sessions as $who => $session) {
            if ($session->state() === SessionState::Open) {
                $names[] = ($session->peerName() === '' ? 'a session' : $session->peerName()).' at '.($this->peers[$who][0] ?? '')
                    .self::figures($session);
            }
        }

        return $names;
    }

    public function lost(): int
    {
        return array_sum(array_map(static fn(Session $session): int => $session->lostPackets(), $this->sessions));
    }

    public function fault(): string
    {
        foreach ($this->sessions as $who => $session) {
            if (! self::isGuest($who) && $session->state() !== SessionState::Open) {
                return match ($session->state()) {
                    SessionState::Rejected => "{$who} has rejected our invitation: let it accept us; it is invited again every two seconds.",
                    SessionState::Lost => "{$who} does not answer our invitation: is it there, and is its control port right? It is invited again.",
                    default => "{$who} is being invited and has not answered yet.",
                };
            }
        }

        return '';
    }

    public function close(): void
    {
        foreach ($this->sessions as $who => $session) {
            $this->carryOut($who, $session->end());
        }
        $this->closed = true;
        EventLoop::cancel($this->timer ?? '');
        array_map(static fn(Listener $listener) => $listener->close(), $this->listeners);
    }

    private function arrived(bool $atData, string $bytes, string $from, int $port): void
    {
        try {
            $packet = SessionPacket::isOne($bytes) ? SessionPacket::decode($bytes) : null;
            $who = $this->invited($from, $port) ?? $this->guest($packet, $atData, $bytes, $from, $port);
            if ($who !== null) {
                $session = $this->sessions[$who];
                $wasOpen = $session->state() === SessionState::Open;
                $this->carryOut($who, $session->arrived($atData, $bytes, self::now()));
                $this->tidy($who, $session, $wasOpen);
            }
        } catch (Malformed) {
            // Handed on as it is: the port refuses it, and says why.
            ($this->world->arrived)($this->key, $from, $port, $bytes);

            return;
        }
        ($this->world->fault)($this->key, $this->fault());
        $this->schedule();
    }

    /** Whoever we invited is known by where it is. */
    private function invited(string $from, int $port): ?string
    {
        foreach ($this->peers as $who => [$address, $control, $data]) {
            if (! self::isGuest($who) && $address === $from && ($port === $control || $port === $data)) {
                return $who;
            }
        }

        return null;
    }

    /**
     * A guest is known by its address and the number of its session. One that
     * invites us anew from where another one was is that one, back after it broke
     * down: it takes its own place at once.
     *
     * @throws Malformed
     */
    private function guest(?SessionPacket $packet, bool $atData, string $bytes, string $from, int $port): ?string
    {
        $ssrc = $packet === null ? (int) hexdec(bin2hex(substr($bytes, 8, 4))) : $packet->ssrc;
        $who = self::GUEST."{$from} {$ssrc}";
        if (isset($this->sessions[$who])) {
            $this->peers[$who][$atData ? 2 : 1] = $port;

            return $who;
        }
        if ($packet === null || $packet->command !== SessionCommand::Invitation) {
            return null;
        }
        if ($atData) {
            $this->turnAway($packet, 'data', $from, $port);

            return null;
        }
        foreach ($this->peers as $other => [$address, $control]) {
            if (self::isGuest($other) && $address === $from && $control === $port) {
                $this->hand($this->sessions[$other]->end()->midi, $other);
                $this->forget($other);
            }
        }
        $this->dropHalfInvited();
        if (\count(array_filter(array_keys($this->sessions), self::isGuest(...))) >= self::MOST_GUESTS) {
            $this->turnAway($packet, 'control', $from, $port);

            return null;
        }
        $this->sessions[$who] = $this->session();
        $this->peers[$who] = [$from, $port, $port + 1];

        return $who;
    }

    /** Where it is crowded, whoever knocked and never came in gives way. */
    private function dropHalfInvited(): void
    {
        $guests = array_filter(array_keys($this->sessions), self::isGuest(...));
        foreach (\count($guests) < self::MOST_GUESTS ? [] : $guests as $who) {
            if ($this->sessions[$who]->state() !== SessionState::Open) {
                $this->forget($who);
            }
        }
    }

    private function turnAway(SessionPacket $invitation, string $which, string $from, int $port): void
    {
        $answer = new SessionPacket(SessionCommand::Rejected, random_int(1, 0xFFFFFFFF), $invitation->token);
        $this->listeners[$which]->socket->send($answer->encode(), $from, $port);
    }

    /** A guest that has gone leaves nothing behind; somebody who has come is told what is shown. */
    private function tidy(string $who, Session $session, bool $wasOpen): void
    {
        if (! $wasOpen && $session->state() === SessionState::Open) {
            ($this->world->joined)($this->key);
        }
        if (self::isGuest($who) && \in_array(
            $session->state(),
            [SessionState::Idle, SessionState::Lost, SessionState::Rejected],
            true,
        )) {
            $this->forget($who);
        }
    }

    private function forget(string $who): void
    {
        unset($this->sessions[$who], $this->peers[$who]);
    }

    private function carryOut(string $who, Outcome $outcome): void
    {
        $peer = $this->peers[$who] ?? null;
        if ($peer !== null && ! $this->closed) {
            foreach ($outcome->control as $bytes) {
                $this->listeners['control']->socket->send($bytes, $peer[0], $peer[1]);
            }
            foreach ($outcome->data as $bytes) {
                $this->listeners['data']->socket->send($bytes, $peer[0], $peer[2]);
            }
        }
        $this->hand($outcome->midi, $who);
    }

    /** @param list<string> $commands */
    private function hand(array $commands, string $who): void
    {
        $peer = $this->peers[$who] ?? ['', 0, 0];
        foreach ($commands as $command) {
            ($this->world->arrived)($this->key, $peer[0], $peer[2], $command);
        }
    }

    private function schedule(): void
    {
        EventLoop::cancel($this->timer ?? '');
        $due = min(
            [\PHP_INT_MAX, ...array_map(static fn(Session $session): int => $session->dueAt(), array_values($this->sessions))],
        );
        if ($due === \PHP_INT_MAX || $this->closed) {
            return;
        }
        $this->timer = EventLoop::delay(max(0.001, ($due - self::now()) / 1e9), function (): void {
            foreach ($this->sessions as $who => $session) {
                $wasOpen = $session->state() === SessionState::Open;
                $this->carryOut($who, $session->wake(self::now()));
                $this->tidy($who, $session, $wasOpen);
            }
            ($this->world->drained)();
            $this->schedule();
        });
    }

    private function session(): Session
    {
        return new Session($this->name, random_int(1, 0xFFFFFFFF));
    }

    private static function isGuest(string $who): bool
    {
        return str_starts_with($who, self::GUEST);
    }

    private static function now(): int
    {
        return (int) hrtime(true);
    }
}
