<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet;
use NimbleJunction\StandIn\Link\Datagrams;
use NimbleJunction\StandIn\Link\Habits;

/** A guide's tablet with one fader: it sends OSC when the fader is moved, and moves the fader when OSC comes back. */
final class Tablet implements Device
{
    private float $fader = 0.0;
    private string $heard = '';
    private int $sent = 0;
    private int $received = 0;
    private bool $cable = true;
    private readonly Habits $habits;
    private ?Datagrams $socket = null;

    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly string $address,
        private readonly int $port,
        private readonly string $to,
        private readonly int $toPort,
        private readonly string $faderAddress,
    ) {
        $this->habits = new Habits(Habits::SWAPPED, Habits::LOSS, Habits::JITTER);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->socket = new Datagrams($this->address, $this->ports()[0], function (string $bytes): void {
            if (! $this->cable) {
                return;
            }
            try {
                foreach (Packet::decode($bytes) as $message) {
                    ++$this->received;
                    $this->heard = $message->spelled();
                    $value = $message->arguments[0]->value ?? null;
                    if ($message->address === $this->faderAddress && (\is_float($value) || \is_int($value))) {
                        $this->fader = max(0.0, min(1.0, (float) $value));
                    }
                }
            } catch (Malformed $malformed) {
                $this->heard = $malformed->reason;
            }
        });
    }

    public function stop(): void
    {
        $this->socket?->close();
        $this->socket = null;
    }

    public function state(): array
    {
        return [
            'id' => $this->id,
            'kind' => 'tablet',
            'name' => $this->name,
            'address' => "{$this->address}:{$this->ports()[0]}",
            'to' => "{$this->to}:{$this->ports()[1]}",
            'protocol' => 'OSC',
            'osc' => $this->faderAddress,
            'fader' => round($this->fader, 4),
            'heard' => $this->heard,
            'sent' => $this->sent,
            'received' => $this->received,
            'cable' => $this->cable,
            'habits' => $this->habits->state(),
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'fader' => $this->move(Values::number($values, 'value', 0, 1)),
            'cable' => $this->cable = Values::flag($values, 'in'),
            'habit' => $this->habit($values),
            'broken' => $this->send("/palm\0\0\0,q\0\0"),
            default => throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\"."),
        };
    }

    /** @return array{int, int} where it listens, and the port that it sends to: the wrong way round when they are swapped */
    private function ports(): array
    {
        return $this->habits->has(Habits::SWAPPED) ? [$this->toPort, $this->port] : [$this->port, $this->toPort];
    }

    /** @param array<mixed> $values */
    private function habit(array $values): void
    {
        $this->habits->play($values);
        if ($this->socket !== null && ($values['habit'] ?? '') === Habits::SWAPPED) {
            $this->stop();
            $this->start();
        }
    }

    private function move(float $value): void
    {
        $this->fader = $value;
        $this->send((new Message($this->faderAddress, [Argument::float($value)]))->encode());
    }

    private function send(string $bytes): void
    {
        if ($this->cable) {
            ++$this->sent;
            $to = "{$this->to}:{$this->ports()[1]}";
            $this->habits->send(fn() => $this->socket?->send($bytes, $to));
        }
    }
}
