<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** Levels of slots are told as controllers. */
final readonly class LevelsToControllers implements Start
{
    public function __construct(
        private string $name,
        private string $universe,
        private int $first,
        private int $count,
        private string $to,
        private int $channel,
        private int $controller,
    ) {
    }

    public static function kind(): string
    {
        return 'levels-controllers';
    }

    public static function label(): string
    {
        return 'Levels to controllers';
    }

    public static function fields(): array
    {
        return [
            Several::name(),
            Field::universe(),
            Field::whole('first', 'First slot', 1, 512, 1),
            Several::count(8),
            Field::port('to', 'Controllers are sent on'),
            Field::whole('channel', 'Channel, 1 to 16', 1, 16, 1),
            Field::whole('controller', 'First controller, 0 to 127', 0, 127, 1),
        ];
    }

    public function routes(): array
    {
        return Several::routes($this->name, $this->count, fn(int $i): array => [
            'when' => ['kind' => 'slot', 'point' => "slot:{$this->universe}/".($this->first + $i)],
            'steps' => [['kind' => 'scale', 'from' => [0, 255], 'to' => [0, 127]]],
            'do' => [[
                'kind' => 'send',
                'port' => $this->to,
                'message' => ['kind' => 'controller', 'channel' => $this->channel, 'controller' => $this->controller + $i],
            ]],
        ]);
    }
}
