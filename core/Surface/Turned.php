<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;

/**
 * A layout of its own for screens of the other orientation: the same controls on another grid. What has no place there takes
 * the first free one.
 */
final readonly class Turned implements Part, Checked
{
    /** @param list<Place> $places none on the same fields as another one */
    public function __construct(public int $columns, public int $rows, public array $places = [])
    {
    }

    public static function label(): string
    {
        return 'Layout for the other orientation';
    }

    public static function fields(): array
    {
        return [
            Field::whole('columns', 'Columns', 1, Page::MOST_COLUMNS),
            Field::whole('rows', 'Rows', 1, Page::MOST_ROWS),
            Field::objects('places', 'Places', Place::class, Page::MOST_CONTROLS),
        ];
    }

    public function check(Fields $fields): void
    {
        $boxes = array_map(static fn(Place $place): Box => $place->box(), $this->places);
        $names = array_map(static fn(Place $place): string => $place->control, $this->places);
        (new Grid($this->columns, $this->rows))->check($fields, 'places', $boxes, $names);
        foreach (array_diff_key($names, array_unique($names)) as $i => $name) {
            $fields->fault("places/{$i}/control", "\"{$name}\" has two places", 'Keep one of them.');
        }
    }
}
