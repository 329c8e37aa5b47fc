<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** A bank of faders sets parameters, and its motors follow them. */
final readonly class FaderBank implements Start
{
    public function __construct(
        private string $name,
        private string $port,
        private int $channel,
        private int $first,
        private int $bits,
        private int $count,
        private string $target,
        private int $begins,
        /** @var list<float> */
        private array $range,
        private bool $motors,
    ) {
    }

    public static function kind(): string
    {
        return 'fader-bank';
    }

    public static function label(): string
    {
        return 'A bank of faders to parameters, with motors';
    }

    public static function fields(): array
    {
        return [
            Several::name(),
            Field::port(),
            Field::whole('channel', 'Channel, 1 to 16', 1, 16, 1),
            Field::whole('first', 'First controller, 0 to 127', 0, 127, 1),
            Field::whole('bits', 'Bits, 7 or 14', 7, 14, 7),
            Several::count(8),
            Several::target('Each sets this point'),
            Several::begins(),
            Field::numbers('range', 'From and to, in the point\'s unit', -1e6, 1e6, [0.0, 255.0]),
            Field::flag('motors', 'The faders follow', true),
        ];
    }

    public function routes(): array
    {
        return Several::routes($this->name, $this->count, fn(int $i): array => [
            'when' => [
                'kind' => 'controller',
                'port' => $this->port,
                'channel' => $this->channel,
                'controller' => $this->first + $i,
                'bits' => $this->bits,
            ],
            'steps' => [['kind' => 'scale', 'from' => [0, $this->bits === 14 ? 16383 : 127], 'to' => $this->range]],
            'do' => [['kind' => 'set', 'point' => Several::filled($this->target, $this->begins + $i)]],
            ...($this->motors ? ['back' => ['kind' => 'value']] : []),
        ]);
    }
}
