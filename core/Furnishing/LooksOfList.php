<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Programme\Look;
use NimbleJunction\Core\Show\Show;

/** A button for each look: of a cue list, or of the whole show. */
final readonly class LooksOfList implements Template
{
    public function __construct(public string $list = '', public int $columns = 4)
    {
    }

    public static function kind(): string
    {
        return 'looks';
    }

    public static function label(): string
    {
        return 'A button for each look';
    }

    public static function fields(): array
    {
        return [
            new Id('list', 'Of cue list; empty for all looks', 'cue-list', false),
            Field::whole('columns', 'Columns', 1, 12, 4),
        ];
    }

    public function pages(Show $show): array
    {
        $list = $show->lists[$this->list] ?? null;
        $looks = $show->looks;
        if ($list !== null) {
            $named = [];
            foreach ($list->cues as $cue) {
                $named[$cue->look] = true;
            }
            $looks = array_filter($looks, static fn(Look $look): bool => isset($named[$look->id]));
        }
        $laying = new Laying($list === null ? 'Looks' : $list->name, $this->columns, 6);
        foreach ($looks as $id => $look) {
            $laying->add(
                (string) $id,
                $look->name,
                1,
                1,
                ['kind' => 'button', 'points' => [['point' => "look:{$id}"]]],
                ['text' => '{name}', 'showsValue' => false],
            );
        }

        return $laying->pages();
    }
}
