<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\StandIn\Link\Datagrams;
use NimbleJunction\StandIn\Link\Habits;

/**
 * A node with a matrix of lamps on one strip (Art-Net, 170 pixels a universe): the strip begins at the bottom left, runs
 * back and forth, and takes green before red and blue. Both can be otherwise, as they are when somebody has wired it wrong.
 */
final class PixelWall implements Device
{
    public const COLUMNS = 20;
    public const ROWS = 12;
    private const IN_A_UNIVERSE = 170;
    private const SECONDS_ALIVE = 5.0;

    /** @var array<int, string> levels by universe, from 0 */
    private array $levels = [];
    private float $heardAt = 0.0;
    private int $packets = 0;
    private readonly Habits $habits;
    private ?Datagrams $socket = null;

    /** @param int $portAddress of the first universe */
    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly string $address,
        private readonly int $portAddress,
    ) {
        $this->habits = new Habits(Habits::STRAIGHT, Habits::OTHER_COLOURS);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->socket = new Datagrams($this->address, ArtNet::UDP_PORT, $this->heard(...));
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
            'kind' => 'pixels',
            'name' => $this->name,
            'address' => $this->address,
            'protocol' => "Art-Net from {$this->portAddress}",
            'alive' => hrtime(true) / 1e9 - $this->heardAt < self::SECONDS_ALIVE,
            'columns' => self::COLUMNS,
            'lamps' => $this->lamps(),
            'packets' => $this->packets,
            'habits' => $this->habits->state(),
        ];
    }

    public function play(string $control, array $values): void
    {
        if ($control !== 'habit') {
            throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\".");
        }
        $this->habits->play($values);
    }

    /** @return list<int> red, green and blue as one number of 24 bits, row by row from the top left */
    private function lamps(): array
    {
        $lamps = array_fill(0, self::COLUMNS * self::ROWS, 0);
        for ($pixel = 0; $pixel < self::COLUMNS * self::ROWS; ++$pixel) {
            $rowFromBelow = intdiv($pixel, self::COLUMNS);
            $isBack = $rowFromBelow % 2 === 1 && ! $this->habits->has(Habits::STRAIGHT);
            $column = $isBack ? self::COLUMNS - 1 - $pixel % self::COLUMNS : $pixel % self::COLUMNS;
            $levels = $this->levels[intdiv($pixel, self::IN_A_UNIVERSE)] ?? '';
            $taken = str_pad(substr($levels, $pixel % self::IN_A_UNIVERSE * 3, 3), 3, "\0");
            [$red, $green] = $this->habits->has(Habits::OTHER_COLOURS) ? [$taken[0], $taken[1]] : [$taken[1], $taken[0]];
            $lamps[(self::ROWS - 1 - $rowFromBelow) * self::COLUMNS + $column] = \ord($red) << 16 | \ord($green) << 8 | \ord($taken[2]);
        }

        return $lamps;
    }

    private function heard(string $bytes, string $from): void
    {
        try {
            $packet = ArtNet::decode($bytes);
        } catch (Malformed) {
            return;
        }
        if ($packet instanceof Poll) {
            $outputs = array_map(
                fn(int $universe): NodePort => NodePort::output($this->portAddress + $universe & 15),
                range(0, $this->universes() - 1),
            );
            $reply = new PollReply(
                $this->address,
                $this->name,
                $this->name,
                $outputs,
                $this->portAddress >> 8,
                $this->portAddress >> 4 & 15,
            );
            $this->socket?->send($reply->encode(), $from);
        } elseif ($packet instanceof Dmx) {
            $universe = $packet->portAddress - $this->portAddress;
            if ($universe >= 0 && $universe < $this->universes()) {
                $this->levels[$universe] = $packet->levels;
                $this->heardAt = hrtime(true) / 1e9;
                ++$this->packets;
            }
        }
    }

    private function universes(): int
    {
        return (int) ceil(self::COLUMNS * self::ROWS / self::IN_A_UNIVERSE);
    }
}
