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
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $columns = 6,
        public int $rows = 4,
        public bool $flows = true,
        public array $controls = [],
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
        ];
    }

    public function check(Fields $fields): void
    {
        foreach ($this->controls as $i => $control) {
            if ($control->column + $control->width - 1 > $this->columns || $control->row + $control->height - 1 > $this->rows) {
                $fields->fault("controls/{$i}", "\"{$control->name}\" ends at column ".($control->column + $control->width - 1).', row '.($control->row + $control->height - 1), "The page has {$this->columns} columns and {$this->rows} rows: make it smaller, or give the page more.");
            }
            foreach (\array_slice($this->controls, 0, $i) as $other) {
                if ($control->overlaps($other)) {
                    $fields->fault("controls/{$i}", "\"{$control->name}\" lies on \"{$other->name}\"", 'Move one of them.');
                }
            }
        }
    }
}
