<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\WholeList;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** The same parameters over and over: the cells of a bar, each with its red, green and blue. */
final readonly class Cells implements Part, Checked
{
    /**
     * @param string $id points call its cells "cell-1", "cell-2" and so on
     * @param list<int> $at first slots within the fixture, from 1: of every cell, or of the first one; none for the next free one
     * @param int|null $every slots from one cell to the next; null for as many as a cell has
     * @param list<Parameter> $parameters of one cell
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $count,
        public array $parameters,
        public array $at = [],
        public ?int $every = null,
    ) {
    }

    public static function label(): string
    {
        return 'Cells';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name('Name of a cell', 40),
            Field::whole('count', 'How many', 1, Frame::SLOTS),
            new WholeList('at', 'First slot, or those of all cells', Frame::SLOTS, 1, Frame::SLOTS),
            Field::whole('every', 'Slots from one to the next', 1, Frame::SLOTS, null, false),
            Field::objects('parameters', 'Parameters of a cell', Parameter::class, Frame::SLOTS, 1),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->parameters === []) {
            $fields->fault('parameters', 'there are none', 'Give a cell at least one parameter.');
        }
        if (\count($this->at) > 1 && \count($this->at) !== $this->count) {
            $fields->fault(
                'at',
                \count($this->at)." slots are named for {$this->count} cells",
                'Name the first slot of every cell, or that of the first cell alone.',
            );
        }
    }

    /**
     * @param int $next the first slot that is free, from 1
     *
     * @return list<int> the first slot of each cell, from 1
     */
    public function starts(int $next): array
    {
        if (\count($this->at) === $this->count && $this->count > 1) {
            return $this->at;
        }
        $first = $this->at[0] ?? $next;
        $every = $this->every ?? Footprint::widthOf($this->parameters);

        return array_map(static fn(int $cell): int => $first + $cell * $every, range(0, $this->count - 1));
    }
}
