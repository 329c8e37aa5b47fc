<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** GO of show control becomes an OSC message with its cue, and such a message GO. */
final readonly class ShowControlAndOsc implements Start
{
    public function __construct(
        private string $name,
        private string $port,
        private string $to,
        private string $address,
        private bool $back,
    ) {
    }

    public static function kind(): string
    {
        return 'msc-osc';
    }

    public static function label(): string
    {
        return 'Show control GO to OSC, and back';
    }

    public static function fields(): array
    {
        return [
            Field::text('name', 'Name', 'Go', 100),
            Field::port('port', 'Show control is on'),
            Field::port('to', 'OSC is on'),
            Field::pattern(
                'address',
                'OSC address; {cue} stands for the cue',
                '#^/[^\\x00-\\x20\\#]*\\{cue\\}[^\\x00-\\x20\\#]*$#D',
                'Begin with "/", and have {cue} in it.',
            ),
            Field::flag('back', 'And back', true),
        ];
    }

    public function routes(): array
    {
        $there = [
            'name' => "{$this->name} to OSC",
            'when' => ['kind' => 'msc', 'port' => $this->port, 'command' => 'go'],
            'if' => [['kind' => 'arrived', 'name' => 'cue']],
            'do' => [['kind' => 'send', 'port' => $this->to, 'message' => ['kind' => 'osc', 'address' => $this->address]]],
        ];
        $back = [
            'name' => "{$this->name} from OSC",
            'when' => ['kind' => 'osc', 'port' => $this->to, 'address' => $this->address, 'takes' => 'message'],
            'do' => [[
                'kind' => 'send',
                'port' => $this->port,
                'message' => ['kind' => 'msc', 'command' => 'go', 'cue' => '{cue}'],
            ]],
        ];

        return $this->back ? [$there, $back] : [$there];
    }
}
