<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;

/** A page of a surface: a grid, and the controls on it. */
final readonly class Page implements Part, Checked
{
    public const MOST_COLUMNS = 24;
    public const MOST_ROWS = 24;
    public const MOST_CONTROLS = 200;

    /**
     * @param list<Control> $controls none on the same fields as another one
     * @param bool $flows on a screen of the other orientation controls follow each other in their order
     * @param Turned|null $turned a layout of its own for that orientation; null for none
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $columns = 6,
        public int $rows = 4,
        public bool $flows = true,
        public array $controls = [],
        public ?Turned $turned = null,
    ) {
    }

    public static function label(): string
    {
        return 'Page';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name('Name', 60),
            Field::whole('columns', 'Columns', 1, self::MOST_COLUMNS, 6),
            Field::whole('rows', 'Rows', 1, self::MOST_ROWS, 4),
            Field::flag('flows', 'Laid anew on a screen of the other orientation', true),
            Field::objects('controls', 'Controls', Control::class, self::MOST_CONTROLS),
            Field::object('turned', 'Layout of its own for the other orientation', Turned::class, false),
        ];
    }

    public function check(Fields $fields): void
    {
        $boxes = array_map(static fn(Control $control): Box => $control->box(), $this->controls);
        $names = array_map(static fn(Control $control): string => $control->name, $this->controls);
        (new Grid($this->columns, $this->rows))->check($fields, 'controls', $boxes, $names);
    }
}
