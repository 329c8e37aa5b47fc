<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** A desk has a universe to spare: each slot of it is told a media server as a message. */
final readonly class SpareUniverse implements Start
{
    public function __construct(
        private string $name,
        private string $universe,
        private int $first,
        private int $count,
        private string $to,
        private string $address,
        private int $begins,
        /** @var list<float> */
        private array $range,
    ) {
    }

    public static function kind(): string
    {
        return 'spare-universe';
    }

    public static function label(): string
    {
        return 'A desk\'s spare universe to messages of a media server';
    }

    public static function fields(): array
    {
        return [
            Several::name(),
            Field::universe(),
            Field::whole('first', 'First slot', 1, 512, 1),
            Several::count(8),
            Field::port('to', 'Messages are sent on'),
            Field::text('address', 'Address; {n} counts up', '/layer/{n}/opacity', 200),
            Several::begins(),
            Field::numbers('range', 'Least and most that is sent', -1e6, 1e6, [0.0, 1.0]),
        ];
    }

    public function routes(): array
    {
        return Several::routes($this->name, $this->count, fn(int $i): array => [
            'when' => ['kind' => 'slot', 'point' => "arriving:{$this->universe}/".($this->first + $i)],
            'steps' => [['kind' => 'scale', 'from' => [0, 255], 'to' => $this->range]],
            'do' => [[
                'kind' => 'send',
                'port' => $this->to,
                'message' => [
                    'kind' => 'osc',
                    'address' => Several::filled($this->address, $this->begins + $i),
                    'arguments' => [['kind' => 'float']],
                ],
            ]],
        ]);
    }
}
