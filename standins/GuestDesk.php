<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\StandIn\Link\Datagrams;

/** A visitor's lighting desk that sends sACN with a priority. */
final class GuestDesk extends Desk
{
    private int $priority = 100;

    public function __construct(string $id, string $name, string $address, string $to, private readonly int $universe)
    {
        parent::__construct($id, $name, $address, "{$to}:".Packet::UDP_PORT);
    }

    public function state(): array
    {
        return [
            ...parent::state(),
            'protocol' => 'sACN',
            'universes' => [$this->numbered($this->universe)],
            'priority' => $this->priority,
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'priority' => $this->priority = Values::whole($values, 'priority', 0, 200),
            'end' => $this->end(),
            default => parent::play($control, $values),
        };
    }

    protected function open(): Datagrams
    {
        return new Datagrams($this->address, Packet::UDP_PORT, static function (): void {
        });
    }

    protected function packets(string $slots): array
    {
        return [$this->data($slots, 0)->encode()];
    }

    /** sACN counts through 0 (ANSI E1.31-2018, 6.2.5): whoever leaves it out seems to lose one packet in 256. */
    protected function nextSequence(): int
    {
        return $this->sequence + 1 & 255;
    }

    /** Switched off as it should be: three packets that say so (ANSI E1.31-2018, 6.2.6), then silence. */
    private function end(): void
    {
        for ($i = 0; $i < 3; ++$i) {
            $this->sequence = $this->nextSequence();
            $this->send($this->data(str_repeat("\0", 512), Data::TERMINATED)->encode());
        }
        $this->cable = false;
    }

    private function data(string $slots, int $options): Data
    {
        return new Data(
            md5("stand-in {$this->name}", true),
            $this->numbered($this->universe),
            $slots,
            $this->sequence,
            $this->priority,
            $this->name,
            $options,
        );
    }
}
