<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** A plain "go" note becomes cues that are named, one after the other: the list of them stands in the route. */
final readonly class GoNotes implements Start
{
    public function __construct(
        private string $name,
        private string $port,
        private int $note,
        /** @var list<float> */
        private array $cues,
        private string $to,
        private string $list,
    ) {
    }

    public static function kind(): string
    {
        return 'go-notes';
    }

    public static function label(): string
    {
        return 'A plain go note to the cues of a list';
    }

    public static function fields(): array
    {
        return [
            Field::text('name', 'Name', 'Go', 100),
            Field::port(),
            Field::whole('note', 'Note, 0 to 127', 0, 127, 60),
            Field::list('cues', 'Cues, in their order'),
            Field::port('to', 'Cues are sent on'),
            Field::text('list', 'Cue list; empty for none', '', 20),
        ];
    }

    public function routes(): array
    {
        $list = $this->list === '' ? [] : ['list' => $this->list];

        return [[
            'name' => $this->name,
            'when' => ['kind' => 'note-on', 'port' => $this->port, 'note' => $this->note],
            'steps' => [['kind' => 'cycle', 'values' => $this->cues, 'order' => 'up']],
            'do' => [[
                'kind' => 'send',
                'port' => $this->to,
                'message' => ['kind' => 'msc', 'command' => 'go', 'cue' => '{value}', ...$list],
            ]],
        ]];
    }
}
