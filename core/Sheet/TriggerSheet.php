<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Sheet;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Message\Pitch;

/**
 * Routes as a table that two people agree on: one line a route, with what it waits for and what it does. What a line has no
 * column for (several triggers, steps, other actions) stays in the route as it is.
 */
final readonly class TriggerSheet
{
    public const NOTE_NAME = 'note name';
    private const MORE = 'more';

    /** The field of a trigger that its number is, by its kind. */
    private const NUMBERS = [
        'note' => 'note',
        'note-on' => 'note',
        'note-off' => 'note',
        'key-pressure' => 'note',
        'controller' => 'controller',
        'relative' => 'controller',
        'program' => 'program',
        'rpn' => 'parameter',
        'nrpn' => 'parameter',
    ];

    /** Columns that are fields of the trigger of the same name, and whether they are whole numbers. */
    private const FIELDS = [
        'channel' => true,
        'address' => false,
        'command' => false,
        'cue' => false,
        'list' => false,
        'device' => true,
    ];

    /** Columns that are fields of the route. */
    private const OWN = ['name', 'folder', 'note'];

    /** @param array<string, string> $ports name by id */
    public function __construct(private array $ports, private int $middleC)
    {
    }

    /** @return list<string> */
    public function columns(): array
    {
        return [
            'id',
            'name',
            'folder',
            'enabled',
            'port',
            'when',
            'channel',
            'number',
            self::NOTE_NAME." (middle C = C{$this->middleC})",
            'address',
            'command',
            'cue',
            'list',
            'device',
            'does',
            'point',
            'to',
            'note',
        ];
    }

    /** @return int|null the octave of middle C that the head of a column names */
    public static function convention(string $head): ?int
    {
        return preg_match('/^'.self::NOTE_NAME.'\s*\(middle C\s*=\s*C(-?\d)\)$/Di', trim($head), $found) === 1
            ? (int) $found[1]
            : null;
    }

    /** @return string the column that a head is; '' for none */
    public static function column(string $head): string
    {
        $head = strtolower(trim($head));
        $known = [
            'id',
            'folder',
            'enabled',
            'port',
            'when',
            'number',
            'does',
            'point',
            'to',
            ...self::OWN,
            ...array_keys(self::FIELDS),
        ];

        return str_starts_with($head, self::NOTE_NAME) ? self::NOTE_NAME : (\in_array($head, $known, true) ? $head : '');
    }

    /** @return string the column that a field of a route stands in; '' for none */
    public static function columnOf(string $path): string
    {
        $last = basename($path);

        return match (true) {
            \in_array($last, ['note', 'controller', 'program', 'parameter'], true) && str_starts_with($path, 'when') => 'number',
            $last === 'kind' => str_starts_with($path, 'do') ? 'does' : 'when',
            $last === 'value' => 'to',
            default => self::column($last),
        };
    }

    /**
     * @param array<mixed> $route of the document
     *
     * @return list<string>
     */
    public function row(array $route): array
    {
        $when = self::trigger($route);
        $do = self::action($route);
        $kind = self::text($when['kind'] ?? '');
        $number = $when[self::NUMBERS[$kind] ?? ''] ?? null;
        $isNote = (self::NUMBERS[$kind] ?? '') === 'note';

        return [
            self::text($route['id'] ?? ''),
            self::text($route['name'] ?? ''),
            self::text($route['folder'] ?? ''),
            ($route['enabled'] ?? true) === false ? 'no' : 'yes',
            $this->portName(self::text($when['port'] ?? '')),
            $when === null ? self::MORE : $kind,
            self::text($when['channel'] ?? ''),
            self::text($number ?? ''),
            $isNote && \is_int($number) ? Pitch::name($number, $this->middleC) : '',
            self::text($when['address'] ?? ''),
            self::text($when['command'] ?? ''),
            self::text($when['cue'] ?? ''),
            self::text($when['list'] ?? ''),
            self::text($when['device'] ?? ''),
            $do === null ? self::MORE : self::text($do['kind'] ?? ''),
            self::text($do['point'] ?? ''),
            self::text($do['value'] ?? ''),
            self::text($route['note'] ?? ''),
        ];
    }

    /**
     * @param array<string, string> $cells by column; columns that are not there leave what is
     * @param array<mixed>|null $before the route as it is; null for a new one
     * @param int $middleC by which notes are named in this table
     *
     * @return array{array<mixed>, list<Fault>} the route as it is to be, and what is wrong, by column
     */
    public function route(array $cells, ?array $before, int $middleC): array
    {
        $route = $before ?? [];
        $faults = [];
        foreach (self::OWN as $name) {
            $route = isset($cells[$name])
                ? self::with($route, $name, trim($cells[$name]) === '' ? null : trim($cells[$name]))
                : $route;
        }
        if (isset($cells['enabled'])) {
            $isOff = \in_array(strtolower(trim($cells['enabled'])), ['no', 'off', '0', 'false'], true);
            $route = self::with($route, 'enabled', $isOff ? false : null);
        }
        if (($before === null || self::trigger($route) !== null) && ($cells['when'] ?? '') !== self::MORE) {
            [$when, $wrong] = $this->when($cells, self::trigger($route) ?? [], $middleC);
            $route = isset($route['from']) ? ShortForm::withTrigger($route, $when) : ['when' => $when] + $route;
            $faults = $wrong;
        }
        if (($before === null || self::action($route) !== null) && ($cells['does'] ?? '') !== self::MORE) {
            [$do, $wrong] = self::does($cells, self::action($route) ?? []);
            $route = isset($route['to']) ? ShortForm::withAction($route, $do) : ['do' => [$do]] + $route;
            array_push($faults, ...$wrong);
        }

        return [$route, $faults];
    }

    /**
     * @param array<string, string> $cells
     * @param array<mixed> $when
     *
     * @return array{array<mixed>, list<Fault>}
     */
    private function when(array $cells, array $when, int $middleC): array
    {
        $faults = [];
        $kind = trim($cells['when'] ?? self::text($when['kind'] ?? ''));
        if ($kind === '') {
            $faults[] = new Fault(
                'when',
                'it is empty',
                'Say what kind of message it is: note, note-on, controller, program, osc, msc and so on.',
            );
        }
        $when = ($when['kind'] ?? '') === $kind ? $when : ['kind' => $kind];
        if (isset($cells['port'])) {
            $when['port'] = $this->port(trim($cells['port']));
        }
        foreach (self::FIELDS as $name => $isWhole) {
            [$when, $wrong] = self::field($when, $cells, $name, $name, $isWhole);
            array_push($faults, ...$wrong);
        }
        $field = self::NUMBERS[$kind] ?? null;
        if ($field !== null) {
            $cells = self::withNote($cells, $field, $middleC, $faults);
            [$when, $wrong] = self::field($when, $cells, 'number', $field, true);
            array_push($faults, ...$wrong);
        }

        return [$when, $faults];
    }

    /**
     * A note may be given by its name alone; where both are there they say the same.
     *
     * @param array<string, string> $cells
     * @param list<Fault> $faults what is wrong is added
     *
     * @return array<string, string>
     */
    private static function withNote(array $cells, string $field, int $middleC, array &$faults): array
    {
        $name = trim($cells[self::NOTE_NAME] ?? '');
        if ($field !== 'note' || $name === '') {
            return $cells;
        }
        $note = Pitch::read($name, $middleC);
        $number = trim($cells['number'] ?? '');
        if ($note === null) {
            $faults[] = new Fault(
                self::NOTE_NAME,
                "it is \"{$name}\"",
                "Use a name like C#3, where middle C (note 60) is C{$middleC}; or leave it empty and give the number.",
            );
        } elseif ($number !== '' && $number !== (string) $note) {
            $faults[] = new Fault(
                self::NOTE_NAME,
                "{$name} is note {$note}, and the number is {$number}",
                "Middle C (note 60) is C{$middleC} in this table: make them say the same, or leave one empty.",
            );
        } else {
            $cells['number'] = (string) $note;
        }

        return $cells;
    }

    /**
     * @param array<mixed> $part
     * @param array<string, string> $cells
     *
     * @return array{array<mixed>, list<Fault>}
     */
    private static function field(array $part, array $cells, string $column, string $field, bool $isWhole): array
    {
        if (! isset($cells[$column])) {
            return [$part, []];
        }
        $cell = trim($cells[$column]);
        if ($cell !== '' && $isWhole && preg_match('/^-?\d{1,9}$/D', $cell) !== 1) {
            return [$part, [new Fault($column, "it is \"{$cell}\"", 'Use a whole number, or leave it empty for any.')]];
        }

        return [self::with($part, $field, $cell === '' ? null : ($isWhole ? (int) $cell : $cell)), []];
    }

    /**
     * @param array<string, string> $cells
     * @param array<mixed> $do
     *
     * @return array{array<mixed>, list<Fault>}
     */
    private static function does(array $cells, array $do): array
    {
        $kind = trim($cells['does'] ?? self::text($do['kind'] ?? ''));
        if (! \in_array($kind, ['set', 'press'], true)) {
            return [
                $do,
                [new Fault(
                    'does',
                    $kind === '' ? 'it is empty' : "it is \"{$kind}\"",
                    'Use "set" or "press", and name a point.',
                )],
            ];
        }
        $do = ($do['kind'] ?? '') === $kind ? $do : ['kind' => $kind];
        $do = isset($cells['point']) ? self::with($do, 'point', trim($cells['point'])) : $do;
        $to = trim($cells['to'] ?? '');
        if ($kind === 'set' && isset($cells['to'])) {
            $do = self::with($do, 'value', $to === '' ? null : (is_numeric($to) ? $to + 0 : $to));
        }

        return [$do, []];
    }

    /** @return string the name of a port, where no other has it; else its id */
    private function portName(string $id): string
    {
        $name = $this->ports[$id] ?? $id;

        return \count(array_keys($this->ports, $name, true)) > 1 ? $id : $name;
    }

    /** @return string the id of a port that is named by it, or by its name */
    private function port(string $asked): string
    {
        $named = array_keys(array_filter(
            $this->ports,
            static fn(string $name): bool => mb_strtolower($name) === mb_strtolower($asked),
        ));

        return ! isset($this->ports[$asked]) && \count($named) === 1 ? (string) $named[0] : $asked;
    }

    /**
     * @param array<mixed> $route
     *
     * @return array<mixed>|null its one trigger; null where a line cannot say it
     */
    private static function trigger(array $route): ?array
    {
        if (isset($route['from'])) {
            return ShortForm::trigger($route);
        }
        $when = $route['when'] ?? null;
        if (\is_array($when) && array_is_list($when)) {
            $when = \count($when) === 1 ? $when[0] : null;
        }

        return \is_array($when) && isset($when['kind']) ? $when : null;
    }

    /**
     * @param array<mixed> $route
     *
     * @return array<mixed>|null its one action; null where a line cannot say it
     */
    private static function action(array $route): ?array
    {
        if (isset($route['to'])) {
            return ShortForm::action($route);
        }
        $do = $route['do'] ?? null;
        $first = \is_array($do) && \count($do) === 1 ? $do[0] ?? null : null;

        return \is_array($first) && \in_array($first['kind'] ?? '', ['set', 'press'], true) ? $first : null;
    }

    /**
     * @param array<mixed> $part
     *
     * @return array<mixed>
     */
    private static function with(array $part, string $name, mixed $value): array
    {
        $part[$name] = $value;

        return $value === null ? array_diff_key($part, [$name => true]) : $part;
    }

    private static function text(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }
}
