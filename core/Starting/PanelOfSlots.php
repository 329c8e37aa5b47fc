<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** A universe that arrives is a panel of buttons: a slot that rises through half presses, or sets. */
final readonly class PanelOfSlots implements Start
{
    public function __construct(
        private string $name,
        private string $universe,
        private int $first,
        private int $count,
        private string $does,
        private string $target,
        private int $begins,
    ) {
    }

    public static function kind(): string
    {
        return 'panel-of-slots';
    }

    public static function label(): string
    {
        return 'A universe as a panel of buttons';
    }

    public static function fields(): array
    {
        return [
            Several::name(),
            Field::universe(),
            Field::whole('first', 'First slot', 1, 512, 1),
            Several::count(16),
            Field::word('does', 'Each', ['press', 'set'], 'press'),
            Several::target(),
            Several::begins(),
        ];
    }

    public function routes(): array
    {
        return Several::routes($this->name, $this->count, fn(int $i): array => [
            'when' => ['kind' => 'slot', 'point' => "arriving:{$this->universe}/".($this->first + $i), 'rises' => 128],
            'do' => [
                $this->does === 'press'
                    ? ['kind' => 'press', 'point' => Several::filled($this->target, $this->begins + $i)]
                    : ['kind' => 'set', 'point' => Several::filled($this->target, $this->begins + $i), 'value' => 255],
            ],
        ]);
    }
}
