<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Profile;

/** Reads what a show document says of fixtures and their profiles. */
final class PatchReader
{
    public static function profile(Fields $fields): Profile
    {
        $profile = new Profile($fields->id(), $fields->string('name'), self::parameters($fields));
        if ($profile->slots() > 512) {
            $fields->fault('parameters', "they take {$profile->slots()} slots", 'A universe has 512.');
        }

        return $profile;
    }

    public static function fixture(Fields $fields): Fixture
    {
        return new Fixture($fields->id(), $fields->string('name'), $fields->id('profile'), $fields->id('universe'), $fields->whole('first', 1, 512));
    }

    /** @return list<Parameter> */
    private static function parameters(Fields $fields): array
    {
        $parameters = [];
        $taken = [];
        foreach ($fields->objects('parameters', 512) as $one) {
            $name = $one->string('name', 60);
            if (isset($parameters[$name])) {
                $one->fault('name', "\"{$name}\" is there twice", 'Every parameter needs a name of its own, like "pan" and "tilt".');
            }
            $parameters[$name] = self::parameter($one, $name);
            foreach ($parameters[$name]->at as $slot) {
                if (isset($taken[$slot])) {
                    $one->fault('at', "slot {$slot} belongs to \"{$taken[$slot]}\" already", 'Every slot of a fixture belongs to one parameter.');
                }
                $taken[$slot] = $name;
            }
            $one->close();
        }
        if ($parameters === []) {
            $fields->fault('parameters', 'there are none', 'Give at least one parameter.');
        }

        return array_values($parameters);
    }

    private static function parameter(Fields $fields, string $name): Parameter
    {
        $at = $fields->has('at') ? $fields->wholes('at', 4, 1, 512) : [];
        $slots = $fields->whole('slots', 1, 4, max(1, \count($at)));
        if ($at !== [] && $slots !== \count($at)) {
            $fields->fault('at', \count($at)." slots are named, and it takes {$slots}", 'Name as many slots as it takes, the coarsest first.');
        }

        return new Parameter($name, $slots, $fields->flag('intensity', false), $at);
    }
}
