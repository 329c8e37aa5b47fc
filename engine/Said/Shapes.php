<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What the classes of this folder are made of, by their own word. */
final class Shapes
{
    /** @var array<class-string<Said>, list<string>> */
    private static array $maps = [];

    /**
     * @param class-string<Said> $class
     *
     * @return list<string> names of properties that are maps
     */
    public static function mapsOf(string $class): array
    {
        return self::$maps[$class] ??= array_keys(array_filter(
            self::propertiesOf($class),
            static fn(\ReflectionProperty $property): bool => $property->getAttributes(MapOf::class) !== [],
        ));
    }

    /**
     * As TypeScript writes it.
     *
     * @param class-string<Said> $class
     *
     * @return array<string, string> type by property
     */
    public static function typed(string $class): array
    {
        return array_map(self::type(...), self::propertiesOf($class));
    }

    /**
     * @param class-string<Said> $class
     *
     * @return list<class-string<Said>> classes that it holds
     */
    public static function heldBy(string $class): array
    {
        $held = [];
        foreach (self::propertiesOf($class) as $property) {
            foreach ([...$property->getAttributes(ListOf::class), ...$property->getAttributes(MapOf::class)] as $attribute) {
                $held[] = $attribute->newInstance()->type;
            }
            $type = $property->getType();
            $held[] = $type instanceof \ReflectionNamedType ? $type->getName() : '';
        }

        return array_values(array_filter($held, static fn(string $one): bool => is_subclass_of($one, Said::class)));
    }

    private static function type(\ReflectionProperty $property): string
    {
        $list = $property->getAttributes(ListOf::class)[0] ?? null;
        $map = $property->getAttributes(MapOf::class)[0] ?? null;
        $isNullable = $property->getType()?->allowsNull() === true;
        $type = match (true) {
            $list !== null => self::named($list->newInstance()->type).'[]',
            $map !== null => 'Record<string, '.self::named($map->newInstance()->type).'>',
            default => implode(
                ' | ',
                array_unique(array_map(self::named(...), explode('|', trim((string) $property->getType(), '?')))),
            ),
        };

        return $isNullable && ! str_contains($type, 'null') ? "{$type} | null" : $type;
    }

    private static function named(string $type): string
    {
        return match ($type) {
            'int', 'float' => 'number',
            'bool' => 'boolean',
            'float|null' => '(number | null)',
            'mixed' => 'unknown',
            'array{float, float}' => '[number, number]',
            'string', 'null' => $type,
            default => substr((string) strrchr("\\{$type}", '\\'), 1),
        };
    }

    /**
     * @param class-string<Said> $class
     *
     * @return array<string, \ReflectionProperty>
     */
    private static function propertiesOf(string $class): array
    {
        $properties = (new \ReflectionClass($class))->getProperties(\ReflectionProperty::IS_PUBLIC);

        return array_combine(array_map(static fn(\ReflectionProperty $one): string => $one->getName(), $properties), $properties);
    }
}
