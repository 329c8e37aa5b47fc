<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\Target;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\RtpMidi\Outcome;
use NimbleJunction\Core\Wire\RtpMidi\Session;
use NimbleJunction\Core\Wire\RtpMidi\SessionState;
use Revolt\EventLoop;

/** The MIDI sessions over one pair of UDP ports: one with each end that we invite, and one for a guest. */
final class SessionHub
{
    private const LONGEST = 2048;
    private const GUEST = 'guest';

    /** @var array<string, Session> by "address:control port" of those invited, and the guest's */
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
        $this->sessions[self::GUEST] = $this->session();
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

    /** @param list<Target> $peers whoever is not in a session with us is invited, again if need be */
    public function invite(array $peers): void
    {
        $wanted = [self::GUEST => true];
        foreach ($peers as $peer) {
            $wanted[$peer->spelled()] = true;
            $this->peers[$peer->spelled()] = [$peer->address, $peer->port, $peer->port + 1];
            $session = $this->sessions[$peer->spelled()] ??= $this->session();
            if (\in_array($session->state(), [SessionState::Idle, SessionState::Lost, SessionState::Rejected], true)) {
                $this->carryOut($peer->spelled(), $session->invite(random_int(1, 0xFFFFFFFF), self::now()));
            }
        }
        foreach (array_diff_key($this->sessions, $wanted) as $who => $session) {
            $this->carryOut($who, $session->end());
            unset($this->sessions[$who], $this->peers[$who]);
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

    /** @return list<string> */
    public function who(): array
    {
        $names = [];
        foreach ($this->sessions as $who => $session) {
            if ($session->state() === SessionState::Open) {
                $names[] = ($session->peerName() === '' ? 'a session' : $session->peerName()).' at '.($this->peers[$who][0] ?? '');
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
            if ($who !== self::GUEST && $session->state() !== SessionState::Open) {
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
        $who = self::GUEST;
        foreach ($this->peers as $name => [$address, $control, $data]) {
            if ($name !== self::GUEST && $address === $from && ($port === $control || $port === $data)) {
                $who = $name;
            }
        }
        try {
            $outcome = $this->sessions[$who]->arrived($atData, $bytes, self::now());
        } catch (Malformed) {
            // Handed on as it is: the port refuses it, and says why.
            ($this->world->arrived)($this->key, $from, $port, $bytes);

            return;
        }
        if ($who === self::GUEST) {
            $known = $this->peers[self::GUEST] ?? [$from, 0, 0];
            // A stranger who is turned away is answered, and does not take the guest's place.
            $isStranger = $this->sessions[$who]->state() === SessionState::Open && $known[0] !== $from && ! $atData;
            $peer = [$from, $atData ? $known[1] : $port, $atData ? $port : ($known[2] ?: $port + 1)];
            $this->carryOut($who, $outcome, $peer);
            if (! $isStranger) {
                $this->peers[self::GUEST] = $peer;
            }
        } else {
            $this->carryOut($who, $outcome);
        }
        ($this->world->fault)($this->key, $this->fault());
        $this->schedule();
    }

    /** @param array{string, int, int}|null $peer */
    private function carryOut(string $who, Outcome $outcome, ?array $peer = null): void
    {
        $peer ??= $this->peers[$who] ?? null;
        if ($peer !== null && ! $this->closed) {
            foreach ($outcome->control as $bytes) {
                $this->listeners['control']->socket->send($bytes, $peer[0], $peer[1]);
            }
            foreach ($outcome->data as $bytes) {
                $this->listeners['data']->socket->send($bytes, $peer[0], $peer[2]);
            }
        }
        foreach ($outcome->midi as $command) {
            ($this->world->arrived)($this->key, $peer[0] ?? '', $peer[2] ?? 0, $command);
        }
    }

    private function schedule(): void
    {
        EventLoop::cancel($this->timer ?? '');
        $due = min(\PHP_INT_MAX, ...array_map(static fn(Session $session): int => $session->dueAt(), array_values($this->sessions)));
        if ($due === \PHP_INT_MAX || $this->closed) {
            return;
        }
        $this->timer = EventLoop::delay(max(0.001, ($due - self::now()) / 1e9), function (): void {
            foreach ($this->sessions as $who => $session) {
                $this->carryOut($who, $session->wake(self::now()));
            }
            ($this->world->drained)();
            $this->schedule();
        });
    }

    private function session(): Session
    {
        return new Session($this->name, random_int(1, 0xFFFFFFFF));
    }

    private static function now(): int
    {
        return (int) hrtime(true);
    }
}
