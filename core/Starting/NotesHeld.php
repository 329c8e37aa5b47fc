<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** Notes set points to full as long as they are held, however hard. */
final readonly class NotesHeld implements Start
{
    public function __construct(private string $name, private string $port, private ?int $channel, private int $first, private int $count, private string $target, private int $begins)
    {
    }

    public static function kind(): string
    {
        return 'notes-held';
    }

    public static function label(): string
    {
        return 'Notes as buttons, on as long as they are held';
    }

    public static function fields(): array
    {
        return [
            Several::name(),
            Field::port(),
            Field::whole('channel', 'Channel, 1 to 16; empty for any', 1, 16, null, false),
            Field::whole('first', 'First note, 0 to 127', 0, 127, 36),
            Several::count(16),
            Several::target('Each sets this point; {n} counts up'),
            Several::begins(),
        ];
    }

    public function routes(): array
    {
        $routes = [];
        for ($i = 0; $i < $this->count; ++$i) {
            $routes[] = [
                'name' => "{$this->name} ".($i + 1),
                'when' => ['kind' => 'note', 'port' => $this->port, ...($this->channel === null ? [] : ['channel' => $this->channel]), 'note' => $this->first + $i],
                'steps' => [['kind' => 'momentary', 'on' => 255, 'off' => 0]],
                'do' => [['kind' => 'set', 'point' => Several::filled($this->target, $this->begins + $i), 'ends' => 'release']],
            ];
        }

        return $routes;
    }
}
