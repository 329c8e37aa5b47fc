<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Sheet\TriggerSheet;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** The list of triggers that two people agree on, out and in: everything that is wrong with it is said at once, by rows. */
final class TriggerTable
{
    private const MOST_FAULTS = 50;

    public int $added = 0;
    public int $changed = 0;
    public int $same = 0;

    /** @var array<string, int> row of the file by id */
    private array $rows = [];

    /**
     * @param array<string, mixed> $document
     *
     * @return list<list<string>> the heads of the columns first
     */
    public static function table(array $document): array
    {
        $sheet = self::sheet($document);

        return [$sheet->columns(), ...array_map($sheet->row(...), array_values($document['routes'] ?? []))];
    }

    /**
     * The document with what the table says; routes that it does not name stay as they are.
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
        [$columns, $middleC] = self::heads($rows[array_key_first($rows) ?? 0] ?? [], $document);
        $sheet = self::sheet($document);
        $parts = array_column($document['routes'] ?? [], null, 'id');
        $ids = new FreeIds('routes', array_map(strval(...), array_keys($parts)));
        $faults = [];
        $this->added = $this->changed = $this->same = 0;
        foreach (\array_slice($rows, 1, null, true) as $number => $row) {
            if (trim(implode('', $row)) === '') {
                continue;
            }
            $cells = array_diff_key(
                array_combine($columns, array_pad(\array_slice($row, 0, \count($columns)), \count($columns), '')),
                ['' => 0],
            );
            $named = trim($cells['id'] ?? '');
            $id = $named !== '' ? $named : $ids->forName($cells['name'] ?? '');
            if (isset($this->rows[$id])) {
                $faults[] = new Fault(
                    "row {$number}, column id",
                    "row {$this->rows[$id]} is \"{$id}\" too",
                    'Give each route one row.',
                );

                continue;
            }
            [$route, $wrong] = $sheet->route($cells, $parts[$id] ?? null, $middleC);
            foreach ($wrong as $fault) {
                $faults[] = new Fault("row {$number}, column {$fault->path}", $fault->problem, $fault->allowed);
            }
            $this->rows[$id] = $number;
            if ($wrong === []) {
                $this->count($parts[$id] ?? null, $route);
                $parts[$id] = ['id' => $id] + $route;
            }
        }
        $new = [...$document, 'routes' => array_values($parts)];
        array_push($faults, ...$this->faultsOf($new));
        if ($faults !== []) {
            usort($faults, static fn(Fault $a, Fault $b): int => strnatcmp($a->path, $b->path));
            throw ShowRefused::because(\array_slice($faults, 0, self::MOST_FAULTS));
        }

        return $new;
    }

    /** What it does to the show, in words. */
    public function summary(): string
    {
        return "take in a trigger sheet: {$this->changed} changed, {$this->added} added";
    }

    /** @param array<mixed>|null $before */
    private function count(?array $before, mixed $after): void
    {
        match (true) {
            $before === null => ++$this->added,
            $before == $after => ++$this->same,
            default => ++$this->changed,
        };
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return list<Fault> in words of rows and columns
     */
    private function faultsOf(array $document): array
    {
        try {
            ShowReader::fromArray($document);

            return [];
        } catch (ShowRefused $refused) {
            return array_map(function (Fault $fault) use ($document): Fault {
                $names = explode('/', ltrim($fault->path, '/'));
                $row = $names[0] === 'routes'
                    ? $this->rows[$document['routes'][(int) ($names[1] ?? -1)]['id'] ?? ''] ?? null
                    : null;
                $column = TriggerSheet::columnOf(implode('/', \array_slice($names, 2)));

                return $row === null
                    ? $fault
                    : new Fault("row {$row}".($column === '' ? '' : ", column {$column}"), $fault->problem, $fault->allowed);
            }, $refused->faults);
        }
    }

    /**
     * @param list<string> $row the first one
     * @param array<string, mixed> $document
     *
     * @return array{list<string>, int} columns, '' for those that are left; the octave of middle C
     */
    private static function heads(array $row, array $document): array
    {
        $columns = array_map(TriggerSheet::column(...), $row);
        if (! \in_array('id', $columns, true) && ! \in_array('name', $columns, true)) {
            throw ShowRefused::because([new Fault(
                'row 1',
                'there is no column "id" and none "name"',
                'The first row names the columns: '.implode(', ', self::sheet($document)->columns()).'.',
            )]);
        }
        $known = implode(', ', self::sheet($document)->columns()).'; a column with an empty head is left out.';
        foreach ($row as $i => $head) {
            $isTwice = $columns[$i] !== '' && \count(array_keys($columns, $columns[$i], true)) > 1;
            if ($isTwice || ($columns[$i] === '' && trim($head) !== '')) {
                $problem = $isTwice ? "the column \"{$head}\" is there twice" : "there is no column \"{$head}\"";
                throw ShowRefused::because([new Fault('row 1', $problem, "Columns are: {$known}")]);
            }
        }
        $named = array_filter(array_map(TriggerSheet::convention(...), $row), is_int(...));

        return [$columns, reset($named) === false ? self::middleC($document) : reset($named)];
    }

    /** @param array<string, mixed> $document */
    private static function sheet(array $document): TriggerSheet
    {
        /** @var array<string, string> $ports */
        $ports = array_column($document['ports'] ?? [], 'name', 'id');

        return new TriggerSheet($ports, self::middleC($document));
    }

    /** @param array<string, mixed> $document */
    private static function middleC(array $document): int
    {
        return \is_int($document['middleC'] ?? null) ? $document['middleC'] : 4;
    }
}
