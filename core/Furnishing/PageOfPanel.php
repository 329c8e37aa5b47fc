<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Panel\Handle\ButtonHandle;
use NimbleJunction\Core\Panel\Handle\EncoderHandle;
use NimbleJunction\Core\Panel\PanelPart;
use NimbleJunction\Core\Show\Show;

/** The twin of a panel: a control for each of its parts, that this part moves; what they move is chosen then. */
final readonly class PageOfPanel implements Template
{
    public function __construct(public string $panel)
    {
    }

    public static function kind(): string
    {
        return 'panel';
    }

    public static function label(): string
    {
        return 'The twin of a panel';
    }

    public static function fields(): array
    {
        return [new Id('panel', 'Panel', 'panel', true)];
    }

    public function pages(Show $show): array
    {
        $panel = $show->panels[$this->panel] ?? null;
        $laying = new Laying($panel->name ?? '', 8, 6);
        foreach ($panel->parts ?? [] as $part) {
            $this->add($laying, $part);
        }

        return $laying->pages();
    }

    private function add(Laying $laying, PanelPart $part): void
    {
        $name = $part->name === '' ? $part->id : $part->name;
        $moved = ['hardware' => [['part' => $part->id]]];
        if ($part->does instanceof ButtonHandle && $part->does->turns !== 'nothing') {
            return;
        }
        if ($part->does instanceof ButtonHandle) {
            $laying->add($part->id, $name, 1, 1, ['kind' => 'button'], $moved);
        } elseif ($part->does instanceof EncoderHandle) {
            $laying->add($part->id, $name, 1, 2, ['kind' => 'knob'], $moved);
        } else {
            $laying->add($part->id, $name, 1, 3, ['kind' => 'fader'], $moved);
        }
    }
}
