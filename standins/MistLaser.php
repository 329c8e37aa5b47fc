<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\StandIn\Link\Datagrams;
use NimbleJunction\StandIn\Link\Habits;

/**
 * Draws a figure on mist, from twelve slots of an sACN universe. Without data for 2.5 s it is dark: light that nobody
 * steers is a danger.
 */
final class MistLaser implements Device
{
    /** Slot by slot. Enable wants 128 or more; shape is a quarter of the way for each of four. */
    public const PROFILE = [
        'enable',
        'shape',
        'size',
        'rotation',
        'across',
        'up',
        'red',
        'green',
        'blue',
        'points',
        'wave',
        'speed',
    ];
    public const SHAPES = ['circle', 'line', 'triangle', 'leaf'];
    private const DARK_AFTER_SECONDS = 2.5;
    private string $slots;
    private float $heardAt = 0.0;
    private int $packets = 0;
    private readonly Habits $habits;
    private ?Datagrams $socket = null;

    /** @param int $first slot of the first parameter, 1 to 501 */
    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly string $address,
        private readonly int $universe,
        private readonly int $first = 1,
    ) {
        $this->slots = str_repeat("\0", 512);
        $this->habits = new Habits(Habits::WRONG_UNIVERSE);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->socket = new Datagrams($this->address, Sacn::UDP_PORT, function (string $bytes): void {
            try {
                $packet = Sacn::decode($bytes);
            } catch (Malformed) {
                return;
            }
            if ($packet instanceof Data && $packet->universe === $this->listensTo() && $packet->startCode === 0) {
                $this->slots = str_pad($packet->levels, 512, "\0");
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
        $alive = hrtime(true) / 1e9 - $this->heardAt < self::DARK_AFTER_SECONDS;
        $levels = array_combine(
            self::PROFILE,
            array_map(\ord(...), str_split(substr($this->slots, $this->first - 1, \count(self::PROFILE)))),
        );

        return [
            'id' => $this->id,
            'kind' => 'laser',
            'name' => $this->name,
            'address' => $this->address,
            'protocol' => "sACN universe {$this->listensTo()}",
            'first' => $this->first,
            'alive' => $alive,
            'lit' => $alive && $levels['enable'] >= 128,
            'shape' => self::SHAPES[intdiv($levels['shape'], 64)],
            'levels' => $levels,
            'packets' => $this->packets, 'habits' => $this->habits->state(),
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'habit' => $this->habits->play($values),
            default => throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\"."),
        };
    }

    private function listensTo(): int
    {
        return $this->universe + ($this->habits->has(Habits::WRONG_UNIVERSE) ? 1 : 0);
    }
}
