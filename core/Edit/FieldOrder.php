<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Edit;

use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Document\Schema;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;

/**
 * The one order that the fields of a part stand in when it is stored, as their classes describe them: parts that say the
 * same are then the same byte for byte, whoever wrote them and in whatever order.
 */
final class FieldOrder
{
    /** Before all others. */
    private const FIRST = ['id', 'kind', 'name', 'address', 'port', 'universe', 'slot', 'first', 'last', 'count'];

    /** @var array<string, int>|null by name of field */
    private static ?array $ranks = null;

    /**
     * @param array<mixed> $part
     *
     * @return array<mixed>
     */
    public static function of(array $part): array
    {
        $ranks = self::$ranks ??= self::ranks();
        foreach ($part as $name => $value) {
            $part[$name] = match (true) {
                \is_array($value) => self::of($value),
                \is_float($value) && $value === floor($value) && abs($value) < 1e15 => (int) $value,
                default => $value,
            };
        }
        if (! array_is_list($part)) {
            uksort(
                $part,
                static fn(int|string $a, int|string $b): int => [
                    $ranks[$a] ?? \PHP_INT_MAX,
                    (string) $a,
                ] <=> [$ranks[$b] ?? \PHP_INT_MAX, (string) $b],
            );
        }

        return $part;
    }

    /** @return array<string, int> */
    private static function ranks(): array
    {
        $parts = array_map(static fn(array $list): array => [$list[0]], Show::LISTS);
        $classes = array_merge(array_values(Schema::held($parts)), array_values(ShowReader::kinds()->kinds));
        $names = self::FIRST;
        foreach ($classes as $alike) {
            foreach ($alike as $class) {
                array_push($names, ...self::namesOf(\is_string($class) ? $class : $class::class));
            }
        }

        return array_flip(array_values(array_unique($names)));
    }

    /**
     * @param class-string $class
     *
     * @return list<string>
     */
    private static function namesOf(string $class): array
    {
        $fields = is_subclass_of($class, Part::class) ? Reading::fieldsOf($class) : [];

        return array_map(static fn(\NimbleJunction\Core\Document\Field $field): string => $field->name, $fields);
    }
}
