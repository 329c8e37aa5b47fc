<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Discovery;

use NimbleJunction\Core\Signal\Sighting;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;

/** What is out there on the network, by its own word. */
final class Neighbours
{
    private const MOST = 500;

    /** How long one that is lost is still listed. */
    private const REMEMBERED_NANOS = 120_000_000_000;

    /** @var array<string, Neighbour> by key */
    private array $neighbours = [];

    public function __construct(private readonly Trace $trace)
    {
    }

    public function saw(Sighting $sighting, string $portId, int $now): void
    {
        $neighbour = $this->neighbours[$sighting->key] ?? null;
        if ($neighbour === null || $neighbour->isLost($now)) {
            if ($neighbour === null && \count($this->neighbours) >= self::MOST) {
                array_shift($this->neighbours);
            }
            $values = ['name' => $sighting->name, 'address' => $sighting->address, 'protocol' => $sighting->protocol->spelled()];
            $said = new Said('{name} is there, at {address} ({protocol})', $values);
            $this->trace->note(Kind::Port, "neighbour {$sighting->key}", $portId, Step::Heard, $said, $now);
        }
        ($this->neighbours[$sighting->key] ??= new Neighbour($sighting->key, $sighting->protocol))->seen($sighting, $now);
    }

    /** @return list<Neighbour> */
    public function all(int $now): array
    {
        $this->neighbours = array_filter(
            $this->neighbours,
            static fn(Neighbour $one): bool => $now - $one->heardAt < self::REMEMBERED_NANOS,
        );

        return array_values($this->neighbours);
    }
}
