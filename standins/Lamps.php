<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\DmxLine\Line;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\StandIn\Link\Datagrams;

/** Dimmers with a lamp on each: at the end of a wire, or of the network (sACN). They go dark when nothing comes. */
final class Lamps implements Device
{
    public const COUNT = 12;
    private string $levels;
    private float $heardAt = 0.0;
    private int $packets = 0;
    private ?Datagrams $socket = null;

    /** @param int|null $universe the sACN universe it listens to; null for a wire */
    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly string $address,
        private readonly int $port,
        private readonly ?int $universe,
    ) {
        $this->levels = str_repeat("\0", 512);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->socket = new Datagrams($this->address, $this->port, function (string $bytes): void {
            try {
                $levels = $this->read($bytes);
            } catch (Malformed) {
                return;
            }
            if ($levels !== null) {
                $this->levels = str_pad($levels, 512, "\0");
                $this->heardAt = hrtime(true) / 1e9;
                ++$this->packets;
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
        // ANSI E1.11, 9.2: a receiver takes a second without data as loss; sACN: 2.5 s (ANSI E1.31-2018, 6.7.1)
        $alive = hrtime(true) / 1e9 - $this->heardAt < ($this->universe === null ? 1.0 : 2.5);

        return [
            'id' => $this->id,
            'kind' => 'lamps',
            'name' => $this->name,
            'address' => $this->address,
            'protocol' => $this->universe === null ? 'DMX line' : "sACN universe {$this->universe}",
            'alive' => $alive,
            'lamps' => $alive ? array_map(
                \ord(...),
                str_split(substr($this->levels, 0, self::COUNT)),
            ) : array_fill(0, self::COUNT, 0),
            'packets' => $this->packets,
        ];
    }

    public function play(string $control, array $values): void
    {
        throw new \InvalidArgumentException("{$this->name} only listens: it has no controls.");
    }

    /** @throws Malformed */
    private function read(string $bytes): ?string
    {
        if ($this->universe === null) {
            $line = Line::decode($bytes);

            return $line->startCode === 0 ? $line->levels : null;
        }
        $packet = Packet::decode($bytes);

        return $packet instanceof Data && $packet->universe === $this->universe && $packet->startCode === 0
            ? $packet->levels
            : null;
    }
}
