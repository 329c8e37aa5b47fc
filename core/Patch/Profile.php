<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;

/** What each slot of a kind of fixture means: its parameters in their order, in one mode or in several. */
final readonly class Profile implements Part, Checked
{
    /** @var array<string, Mode> by id; of one mode alone it is '' */
    public array $byMode;

    /**
     * @param list<Parameter> $parameters of the only mode
     * @param list<Cells> $cells of the only mode
     * @param list<Mode> $modes none where there is only one
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $parameters = [],
        public string $maker = '',
        public array $cells = [],
        public array $modes = [],
        public string $note = '',
        public bool $virtualIntensity = false,
    ) {
        $byMode = $modes === [] ? ['' => new Mode('', '', $parameters, $cells, $virtualIntensity)] : [];
        foreach ($modes as $mode) {
            $byMode[$mode->id] ??= $mode;
        }
        $this->byMode = $byMode;
    }

    public static function label(): string
    {
        return 'Profile';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::textOrNone('maker', 'Maker', 80),
            ...Mode::meanings(),
            Field::objects('modes', 'Modes, if there are several', Mode::class, 64)->meaning('Each with parameters of its own.'),
            Field::textOrNone('note', 'Note', 1000),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->modes === []) {
            $this->mode('')->footprint->check($fields);

            return;
        }
        if ($this->parameters !== [] || $this->cells !== [] || $this->virtualIntensity) {
            $fields->fault(
                'parameters',
                'there are modes as well',
                'Give parameters, cells and a virtual intensity to the modes, or have no modes.',
            );
        }
        $named = [];
        foreach ($this->modes as $i => $mode) {
            if (isset($named[$mode->id])) {
                $fields->fault("modes/{$i}/id", "\"{$mode->id}\" is used twice", 'Every id may be used once.');
            }
            $named[$mode->id] = true;
        }
    }

    /** The mode of that id; the first one where there is none. */
    public function mode(string $id): Mode
    {
        return $this->byMode[$id] ?? array_values($this->byMode)[0];
    }
}
