<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;

/** A player says how many beats a minute it plays: a point has it. */
final readonly class PlayerTempo implements Start
{
    public function __construct(private string $name, private string $port, private string $address, private Reference $point)
    {
    }

    public static function kind(): string
    {
        return 'player-tempo';
    }

    public static function label(): string
    {
        return 'A player\'s beats a minute to a point';
    }

    public static function fields(): array
    {
        return [
            Field::text('name', 'Name', 'Tempo', 100),
            Field::port(),
            Field::text('address', 'Address', '/player/bpm', 200),
            Field::point('point', 'Point that has it'),
        ];
    }

    public function routes(): array
    {
        return [[
            'name' => $this->name,
            'when' => ['kind' => 'osc', 'port' => $this->port, 'address' => $this->address],
            'if' => [['kind' => 'range', 'low' => 20, 'high' => 400]],
            'do' => [['kind' => 'set', 'point' => $this->point->text()]],
        ]];
    }
}
