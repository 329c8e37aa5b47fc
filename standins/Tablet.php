<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet;

/** A guide's tablet with one fader: it sends OSC when the fader is moved, and moves the fader when OSC comes back. */
final class Tablet implements Device
{
    private float $fader = 0.0;
    private string $heard = '';
    private int $sent = 0;
    private int $received = 0;
    private bool $cable = true;
    private ?Datagrams $socket = null;

    /** @param string $to "address:port" of what it sends to */
    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly string $address,
        private readonly int $port,
        private readonly string $to,
        private readonly string $faderAddress,
    ) {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->socket = new Datagrams($this->address, $this->port, function (string $bytes): void {
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
            'address' => "{$this->address}:{$this->port}",
            'to' => $this->to,
            'protocol' => 'OSC',
            'osc' => $this->faderAddress,
            'fader' => round($this->fader, 4),
            'heard' => $this->heard,
            'sent' => $this->sent,
            'received' => $this->received,
            'cable' => $this->cable,
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'fader' => $this->move(Values::number($values, 'value', 0, 1)),
            'cable' => $this->cable = Values::flag($values, 'in'),
            'broken' => $this->send("/palm\0\0\0,q\0\0"),
            default => throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\"."),
        };
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
            $this->socket?->send($bytes, $this->to);
        }
    }
}
