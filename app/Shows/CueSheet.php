<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Table;
use NimbleJunction\Core\Programme\Cue;
use NimbleJunction\Core\Programme\FollowText;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** The cues of one list as a table, out and in: a row a cue, known by its number; cues that it does not name stay as they are. */
final class CueSheet
{
    private const FOLLOW = 'follow';
    private const LOOK = 'look';
    private const NUMBER = 'number';
    private const MOST_FAULTS = 50;

    public int $added = 0;
    public int $changed = 0;
    public int $same = 0;
    private readonly Table $table;

    /** @var array<string, int> row of the file by number */
    private array $rows = [];

    public function __construct(private readonly string $listId)
    {
        $this->table = new Table(Cue::class);
    }

    /** @param array<string, mixed> $document */
    public function write(array $document): string
    {
        $rows = [array_keys($this->table->columns)];
        foreach ($this->list($document)['cues'] ?? [] as $cue) {
            $rows[] = array_values([...$this->table->row($cue), self::FOLLOW => FollowText::spelled($cue[self::FOLLOW] ?? null)]);
        }

        return Csv::write($rows);
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed> with what the table says
     *
     * @throws ShowRefused
     */
    public function read(string $csv, array $document): array
    {
        $list = $this->list($document);
        $rows = Csv::read($csv);
        $heads = array_map(trim(...), $rows[array_key_first($rows) ?? 0] ?? []);
        $unknown = array_diff($heads, array_keys($this->table->columns), ['']);
        if ($unknown !== [] || ! \in_array(self::NUMBER, $heads, true)) {
            $problem = $unknown === [] ? 'there is no column "number"' : 'there is no column "'.implode('", "', $unknown).'"';
            throw ShowRefused::because([new Fault(
                'row 1',
                $problem,
                'Columns are: '.implode(', ', array_keys($this->table->columns)).'.',
            )]);
        }
        $cues = array_column($list['cues'] ?? [], null, self::NUMBER);
        $faults = [];
        $this->rows = [];
        $this->added = $this->changed = $this->same = 0;
        foreach (\array_slice($rows, 1, null, true) as $number => $row) {
            if (trim(implode('', $row)) === '') {
                continue;
            }
            $cells = array_diff_key(
                array_combine($heads, array_pad(\array_slice($row, 0, \count($heads)), \count($heads), '')),
                ['' => 0],
            );
            $cue = trim($cells[self::NUMBER]);
            if (isset($this->rows[$cue])) {
                $faults[] = new Fault(
                    "row {$number}, column number",
                    "cue {$cue} stands in row {$this->rows[$cue]} too",
                    'Give each cue one row.',
                );

                continue;
            }
            $this->rows[$cue] = $number;
            $old = $cues[$cue] ?? null;
            $cues[$cue] = $this->cue([self::NUMBER => $cue] + $cells, $old ?? [], $document, $number, $faults);
            match (true) {
                $old === null => ++$this->added,
                $old == $cues[$cue] => ++$this->same,
                default => ++$this->changed,
            };
        }
        uksort($cues, static fn(int|string $a, int|string $b): int => Cue::compare((string) $a, (string) $b));
        $new = $this->with($document, [...$list, 'cues' => array_values($cues)]);
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
        return "take in cues from a table: {$this->changed} changed, {$this->added} added";
    }

    /**
     * @param array<string, string> $cells by column
     * @param array<mixed> $old
     * @param array<string, mixed> $document
     * @param list<Fault> $faults
     *
     * @return array<mixed>
     */
    private function cue(array $cells, array $old, array $document, int $row, array &$faults): array
    {
        $follow = FollowText::read($cells[self::FOLLOW] ?? '');
        if ($follow === false) {
            $faults[] = new Fault("row {$row}, column follow", "it is \"{$cells[self::FOLLOW]}\"", FollowText::RULE);
        }
        if (isset($cells[self::LOOK])) {
            $cells[self::LOOK] = self::lookOf($cells[self::LOOK], $document);
        }
        $cue = $this->table->part(array_diff_key($cells, [self::FOLLOW => 0]), $old);
        if (isset($cells[self::FOLLOW])) {
            unset($cue[self::FOLLOW]);
            $cue += \is_array($follow) ? [self::FOLLOW => $follow] : [];
        }
        $cue[self::NUMBER] = (string) $cue[self::NUMBER];

        return $cue;
    }

    /**
     * Where a look is named by its name that is understood too.
     *
     * @param array<string, mixed> $document
     */
    private static function lookOf(string $cell, array $document): string
    {
        $asked = mb_strtolower(trim($cell));
        foreach ($document['looks'] ?? [] as $look) {
            if ($asked !== '' && (mb_strtolower($look['name'] ?? '') === $asked || $look['id'] === $asked)) {
                return $look['id'];
            }
        }

        return trim($cell);
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
            $place = (int) array_search($this->listId, array_column($document['lists'] ?? [], 'id'), true);
            $cues = $this->list($document)['cues'] ?? [];

            return array_map(function (Fault $fault) use ($place, $cues): Fault {
                if (preg_match("#^/lists/{$place}/cues/(\\d+)/?(.*)$#D", $fault->path, $found) !== 1) {
                    return $fault;
                }
                $row = $this->rows[(string) ($cues[(int) $found[1]][self::NUMBER] ?? '')] ?? null;

                return $row === null
                    ? $fault
                    : new Fault("row {$row}".($found[2] === '' ? '' : ", column {$found[2]}"), $fault->problem, $fault->allowed);
            }, $refused->faults);
        }
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     *
     * @throws PartMissing
     */
    private function list(array $document): array
    {
        foreach ($document['lists'] ?? [] as $list) {
            if ($list['id'] === $this->listId) {
                return $list;
            }
        }
        throw new PartMissing("There is no cue list \"{$this->listId}\": it may have been deleted on another page.");
    }

    /**
     * @param array<string, mixed> $document
     * @param array<string, mixed> $list
     *
     * @return array<string, mixed>
     */
    private function with(array $document, array $list): array
    {
        return [
            ...$document,
            'lists' => array_map(fn(array $one): array => $one['id'] === $this->listId ? $list : $one, $document['lists']),
        ];
    }
}
