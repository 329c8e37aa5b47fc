<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** Notes one after the other set points, each as long as it sounds. */
abstract readonly class Notes implements Start
{
    public function __construct(
        private string $name,
        private string $port,
        private ?int $channel,
        private int $first,
        private int $count,
        private string $target,
        private int $begins,
    ) {
    }

    public static function fields(): array
    {
        return [
            Several::name(),
            Field::port(),
            Field::whole('channel', 'Channel, 1 to 16; empty for any', 1, 16, null, false),
            Field::whole('first', 'First note, 0 to 127', 0, 127, 36),
            Several::count(16),
            Several::target('Each sets this point'),
            Several::begins(),
        ];
    }

    public function routes(): array
    {
        $channel = $this->channel === null ? [] : ['channel' => $this->channel];
        return Several::routes($this->name, $this->count, fn(int $i): array => [
            'when' => ['kind' => 'note', 'port' => $this->port, ...$channel, 'note' => $this->first + $i],
            'steps' => [$this->step()],
            'do' => [['kind' => 'set', 'point' => Several::filled($this->target, $this->begins + $i), 'ends' => 'release']],
        ]);
    }

    /** @return array<string, mixed> what becomes of the velocity */
    abstract protected function step(): array;
}
