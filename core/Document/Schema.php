<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** The JSON Schema of parts, and what forms need of them, as their classes describe them. */
final class Schema
{
    /** @param class-string<Part> $class */
    public static function nameOf(string $class): string
    {
        return lcfirst(str_replace(' ', '', ucwords($class::label())));
    }

    /**
     * @param class-string<Part> $class
     *
     * @return array<string, mixed> what a form needs
     */
    public static function described(string $class): array
    {
        return [
            'kind' => is_subclass_of($class, Kind::class) ? $class::kind() : '',
            'label' => $class::label(),
            'fields' => array_map(static fn(Field $field): array => $field->described(), Reading::fieldsOf($class)),
        ];
    }

    /**
     * The definitions of all that these parts hold.
     *
     * @param array<string, list<class-string<Part>>> $parts by the name of their definition
     *
     * @return array<string, array<string, mixed>> by name
     */
    public static function definitions(array $parts): array
    {
        $definitions = [];
        foreach (self::held($parts) as $name => $classes) {
            $definitions[$name] = self::definition($name, $classes);
        }

        return $definitions;
    }

    /**
     * These parts, and all that they hold.
     *
     * @param array<string, list<class-string<Part>>> $parts by the name of their definition
     *
     * @return array<string, list<class-string<Part>>>
     */
    public static function held(array $parts): array
    {
        $held = [];
        while ($parts !== []) {
            $name = (string) array_key_first($parts);
            $held[$name] = $parts[$name];
            unset($parts[$name]);
            $parts += array_diff_key(self::heldBy($held[$name]), $held);
        }

        return $held;
    }

    /** @return array<string, mixed> the definition of one of several kinds */
    public static function ofKinds(Kind|string ...$classes): array
    {
        return [
            'oneOf' => array_values(
                array_map(
                    static fn(Kind|string $class): array => self::ofKind(\is_string($class) ? $class : $class::class),
                    $classes,
                ),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function ofKind(string $class): array
    {
        \assert(is_subclass_of($class, Kind::class));
        $shape = self::merged([$class]);

        return [
            'title' => $class::label(),
            'type' => 'object',
            'required' => ['kind', ...$shape['required']],
            'additionalProperties' => false,
            'properties' => ['kind' => ['const' => $class::kind()], ...$shape['properties']],
        ];
    }

    /**
     * @param list<class-string<Part>> $classes
     *
     * @return array<string, mixed>
     */
    private static function definition(string $name, array $classes): array
    {
        $shape = self::merged($classes);
        $needed = $shape['required'] === [] ? [] : ['required' => $shape['required']];

        $more = is_subclass_of($classes[0], Constrained::class) ? $classes[0]::constraint() : [];

        return [
            'title' => ucfirst($name),
            'type' => 'object',
            ...$needed,
            'additionalProperties' => false,
            ...$more,
            'properties' => $shape['properties'],
        ];
    }

    /**
     * The fields of all of them: what is there under some condition only may be there, and is needed nowhere.
     *
     * @param list<class-string<Part>> $classes
     *
     * @return array{required: list<string>, properties: array<string, array<string, mixed>>}
     */
    private static function merged(array $classes): array
    {
        $shapes = [];
        $needed = [];
        foreach ($classes as $class) {
            foreach (Reading::fieldsOf($class) as $field) {
                $shapes[$field->name][] = $field->schema();
                if ($field->isAlwaysNeeded()) {
                    $needed[$field->name] = ($needed[$field->name] ?? 0) + 1;
                }
            }
        }

        return [
            'required' => array_keys(array_filter($needed, static fn(int $count): bool => $count === \count($classes))),
            'properties' => array_map(self::any(...), $shapes),
        ];
    }

    /**
     * @param non-empty-list<array<string, mixed>> $shapes of fields with one name
     *
     * @return array<string, mixed> what any of them allows
     */
    private static function any(array $shapes): array
    {
        $distinct = array_values(array_unique($shapes, \SORT_REGULAR));
        if (\count($distinct) === 1) {
            return $distinct[0];
        }
        // Where only their defaults differ there is none that holds for all.
        $bare = array_map(
            static fn(array $shape): array => array_diff_key($shape, ['default' => 0, 'description' => 0]),
            $distinct,
        );
        $bare = array_values(array_unique($bare, \SORT_REGULAR));

        return \count($bare) === 1 ? $bare[0] : ['anyOf' => $bare];
    }

    /**
     * What parts of these classes hold.
     *
     * @param list<class-string<Part>> $classes
     *
     * @return array<string, list<class-string<Part>>> by the name of their definition
     */
    public static function heldBy(array $classes): array
    {
        $held = [];
        foreach ($classes as $class) {
            foreach (Reading::fieldsOf($class) as $field) {
                $held += $field->contains();
            }
        }

        return $held;
    }
}
