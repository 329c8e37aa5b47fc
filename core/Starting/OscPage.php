<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** A page of OSC controls sets points, and shows them. */
final readonly class OscPage implements Start
{
    public function __construct(
        private string $name,
        private string $port,
        private string $address,
        private int $count,
        private string $target,
        private int $begins,
        /** @var list<float> */
        private array $from,
        /** @var list<float> */
        private array $to,
        private bool $back,
    ) {
    }

    public static function kind(): string
    {
        return 'osc-page';
    }

    public static function label(): string
    {
        return 'An OSC page to parameters, both ways';
    }

    public static function fields(): array
    {
        return [
            Several::name(),
            Field::port(),
            Field::text('address', 'Address; {n} counts up', '/page/fader/{n}', 200),
            Several::count(8),
            Several::target('Each sets this point'),
            Several::begins(),
            Field::numbers('from', 'Least and most of the page', -1e6, 1e6, [0.0, 1.0]),
            Field::numbers('to', 'Least and most of the point', -1e6, 1e6, [0.0, 255.0]),
            Field::flag('back', 'The page follows', true),
        ];
    }

    public function routes(): array
    {
        return Several::routes($this->name, $this->count, fn(int $i): array => [
            'when' => ['kind' => 'osc', 'port' => $this->port, 'address' => Several::filled($this->address, $i + 1)],
            'steps' => [['kind' => 'scale', 'from' => $this->from, 'to' => $this->to]],
            'do' => [['kind' => 'set', 'point' => Several::filled($this->target, $this->begins + $i)]],
            ...($this->back ? ['back' => ['kind' => 'value']] : []),
        ]);
    }
}
