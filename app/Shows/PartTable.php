<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Table;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowRefused;

/** A list of the show as a table for a spreadsheet, and back: a row is found by its id, and one without is a new part. */
final class PartTable
{
    /** Columns that name a part of another list. */
    private const NAMING = ['universe' => 'universes', 'profile' => 'profiles'];

    private readonly Table $table;

    /** @var array<string, int> row of the file, from 2 on, by id */
    private array $rows = [];
    public int $added = 0;
    public int $changed = 0;
    public int $same = 0;

    /** @param array<string, string> $columns path of our column by the name of theirs; '' where it is not taken */
    public function __construct(private readonly string $list, private readonly array $columns = [])
    {
        $this->table = new Table(Show::classOf($list));
    }

    /** @param array<string, mixed> $document */
    public function write(array $document): string
    {
        $rows = [array_keys($this->table->columns)];
        foreach ($document[$this->list] as $part) {
            $rows[] = array_values($this->table->row($part));
        }

        return Csv::write($rows);
    }

    /**
     * The document with what the table says; parts that it does not name stay as they are.
     *
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     *
     * @throws ShowRefused
     */
    public function read(string $csv, array $document): array
    {
        $rows = Csv::read($csv);
        $heads = $this->heads($rows[array_key_first($rows) ?? 0] ?? []);
        $parts = array_column($document[$this->list], null, 'id');
        $ids = new FreeIds($this->list, array_map(strval(...), array_keys($parts)));
        $this->added = $this->changed = $this->same = 0;
        $this->rows = [];
        foreach (\array_slice($rows, 1, null, true) as $number => $row) {
            if (trim(implode('', $row)) === '') {
                continue;
            }
            if (trim(implode('', \array_slice($row, \count($heads)))) !== '') {
                throw ShowRefused::because([new Fault(
                    "row {$number}",
                    'it has more cells than there are columns',
                    'Put a text with the separator in it into quotation marks.',
                )]);
            }
            $cells = array_combine($heads, array_pad(\array_slice($row, 0, \count($heads)), \count($heads), ''));
            $cells = $this->withIds(array_diff_key($cells, ['' => 0]), $document);
            $id = trim($cells['id'] ?? '');
            $id = $id === '' ? $ids->forName($cells['name'] ?? '') : $id;
            $this->noteRow($id, $number);
            $old = $parts[$id] ?? null;
            $parts[$id] = $this->table->part(['id' => $id] + $cells, $old ?? ['id' => $id]);
            $this->count($old, $parts[$id]);
        }

        return [...$document, $this->list => array_values($parts)];
    }

    /** @param array<string, mixed> $document that was refused */
    public function inWordsOfRows(ShowRefused $refused, array $document): ShowRefused
    {
        $faults = [];
        foreach ($refused->faults as $fault) {
            $names = explode('/', ltrim($fault->path, '/'));
            $row = ($names[0] === $this->list
                ? $this->rows[$document[$this->list][(int) ($names[1] ?? -1)]['id'] ?? ''] ?? null
                : null);
            $column = implode('/', \array_slice($names, 2));
            $faults[] = $row === null
                ? $fault
                : new Fault("row {$row}".($column === '' ? '' : ", column {$column}"), $fault->problem, $fault->allowed);
        }

        return ShowRefused::because($faults);
    }

    /**
     * Where a part is named by its id, its name is understood too.
     *
     * @param array<string, string> $cells
     * @param array<string, mixed> $document
     *
     * @return array<string, string>
     */
    private function withIds(array $cells, array $document): array
    {
        foreach (self::NAMING as $column => $list) {
            $asked = mb_strtolower(trim($cells[$column] ?? ''));
            $parts = \is_array($document[$list] ?? null) ? $document[$list] : [];
            $ids = array_column($parts, 'id');
            $named = array_keys(array_filter(
                array_map(mb_strtolower(...), array_column($parts, 'name', 'id')),
                static fn(string $name): bool => $name === $asked,
            ));
            if ($asked !== '' && ! \in_array($asked, $ids, true) && \count($named) === 1) {
                $cells[$column] = (string) $named[0];
            }
        }

        return $cells;
    }

    /** What it does to the show, in words. */
    public function summary(): string
    {
        $things = [];
        foreach (['change' => $this->changed, 'add' => $this->added] as $verb => $count) {
            if ($count > 0) {
                $things[] = "{$verb} {$count} ".PartSummary::plural($this->list, $count);
            }
        }

        return ($things === [] ? 'change nothing' : implode(' and ', $things)).' from a table';
    }

    /**
     * @param list<string> $row the first one
     *
     * @return list<string> paths of columns
     */
    private function heads(array $row): array
    {
        $heads = array_map(fn(string $head): string => $this->columns[trim($head)] ?? trim($head), $row);
        $unknown = array_diff($heads, array_keys($this->table->columns), ['']);
        $twice = array_keys(array_filter(array_count_values(array_filter($heads)), static fn(int $times): bool => $times > 1));
        if ($heads === [] || (! \in_array('id', $heads, true) && ! \in_array('name', $heads, true))) {
            throw ShowRefused::because(
                [
                    new Fault(
                        'row 1',
                        'there is no column "id" and none "name"',
                        'The first row names the columns: '.implode(', ', array_keys($this->table->columns)).'.',
                    ),
                ],
            );
        }
        if ($unknown !== []) {
            throw ShowRefused::because(
                [
                    new Fault(
                        'row 1',
                        'there is no column "'.implode('", "', $unknown).'"',
                        'Columns are: '.implode(', ', array_keys($this->table->columns)).'.',
                    ),
                ],
            );
        }
        if ($twice !== []) {
            throw ShowRefused::because(
                [new Fault('row 1', 'the column "'.implode('", "', $twice).'" stands there twice', 'Leave one out.')],
            );
        }

        return $heads;
    }

    private function noteRow(string $id, int $row): void
    {
        if (isset($this->rows[$id])) {
            throw ShowRefused::because([new Fault(
                "row {$row}, column id",
                "\"{$id}\" stands in row {$this->rows[$id]} too",
                'Give each row an id of its own, or leave the cell empty for a new one.',
            )]);
        }
        $this->rows[$id] = $row;
    }

    /**
     * @param array<mixed>|null $old
     * @param array<mixed> $new
     */
    private function count(?array $old, array $new): void
    {
        if ($old === null) {
            ++$this->added;
        } elseif ($this->table->row($old) === $this->table->row($new)) {
            ++$this->same;
        } else {
            ++$this->changed;
        }
    }
}
