<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** What each slot of a kind of fixture means: its parameters in their order. */
final readonly class Profile implements Part, Checked
{
    /** @var array<string, list<int>> */
    private array $places;

    /** @param list<Parameter> $parameters */
    public function __construct(public string $id, public string $name, public array $parameters)
    {
        $this->places = self::placed($parameters);
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
            Field::objects('parameters', 'Parameters', Parameter::class, Frame::SLOTS, 1),
        ];
    }

    public function check(Fields $fields): void
    {
        $named = [];
        $taken = [];
        foreach ($this->parameters as $i => $parameter) {
            if (isset($named[$parameter->name])) {
                $fields->fault("parameters/{$i}/name", "\"{$parameter->name}\" is there twice", 'Every parameter needs a name of its own, like "pan" and "tilt".');
            }
            $named[$parameter->name] = true;
            foreach ($parameter->at as $slot) {
                if (isset($taken[$slot])) {
                    $fields->fault("parameters/{$i}/at", "slot {$slot} belongs to \"{$taken[$slot]}\" already", 'Every slot of a fixture belongs to one parameter.');
                }
                $taken[$slot] = $parameter->name;
            }
        }
        if ($this->parameters === []) {
            $fields->fault('parameters', 'there are none', 'Give at least one parameter.');
        }
        if ($this->slots() > Frame::SLOTS) {
            $fields->fault('parameters', "they take {$this->slots()} slots", 'A universe has 512.');
        }
    }

    /** How many slots it takes, with gaps, if there are any. */
    public function slots(): int
    {
        return max([0, ...array_merge(...array_values($this->places))]);
    }

    /**
     * The slots of each parameter: those that it names, or the next ones that are free.
     *
     * @return array<string, list<int>> by parameter, counted from 1 as a fixture's first slot, the coarsest first
     */
    public function places(): array
    {
        return $this->places;
    }

    public function parameter(string $name): ?Parameter
    {
        foreach ($this->parameters as $parameter) {
            if ($parameter->name === $name) {
                return $parameter;
            }
        }

        return null;
    }

    /**
     * @param list<Parameter> $parameters
     *
     * @return array<string, list<int>>
     */
    private static function placed(array $parameters): array
    {
        $taken = [];
        foreach ($parameters as $parameter) {
            $taken += array_fill_keys($parameter->at, true);
        }
        $places = [];
        $next = 1;
        foreach ($parameters as $parameter) {
            if ($parameter->at !== []) {
                $places[$parameter->name] = $parameter->at;

                continue;
            }
            $own = range($next, $next + $parameter->width - 1);
            while (array_intersect_key($taken, array_flip($own)) !== []) {
                ++$next;
                $own = range($next, $next + $parameter->width - 1);
            }
            $places[$parameter->name] = $own;
            $next += $parameter->width;
        }

        return $places;
    }
}
