<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** Notes of slides become cues that are named: of show control, or of OSC. */
final readonly class SlideCues implements Start
{
    public function __construct(
        private string $name,
        private string $port,
        private int $first,
        private int $count,
        private string $to,
        private string $as,
        private int $begins,
        private string $list,
        private string $address,
    ) {
    }

    public static function kind(): string
    {
        return 'slide-cues';
    }

    public static function label(): string
    {
        return 'Slide notes to cues';
    }

    public static function fields(): array
    {
        return [
            Several::name(),
            Field::port(),
            Field::whole('first', 'First note, 0 to 127', 0, 127, 48),
            Several::count(12),
            Field::port('to', 'Cues are sent on'),
            Field::word('as', 'As', ['msc', 'osc'], 'msc'),
            Field::whole('begins', 'First cue', 0, 9999, 1),
            Field::text('list', 'Cue list; empty for none', '', 20),
            Field::text('address', 'OSC address, where it is OSC', '/cue/{n}/start', 200),
        ];
    }

    public function routes(): array
    {
        $routes = [];
        for ($i = 0; $i < $this->count; ++$i) {
            $cue = $this->begins + $i;
            $message = $this->as === 'osc'
                ? ['kind' => 'osc', 'address' => Several::filled($this->address, $cue)]
                : [
                    'kind' => 'msc',
                    'command' => 'go',
                    'cue' => (string) $cue,
                    ...($this->list === '' ? [] : ['list' => $this->list]),
                ];
            $routes[] = [
                'name' => "{$this->name} {$cue}",
                'when' => ['kind' => 'note-on', 'port' => $this->port, 'note' => $this->first + $i],
                'do' => [['kind' => 'send', 'port' => $this->to, 'message' => $message]],
            ];
        }

        return $routes;
    }
}
