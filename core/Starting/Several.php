<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Field;

/** So many of the same, counted: in a text {n} is the number of each. */
final class Several
{
    public const MOST = 128;
    public const GAP = '{n}';

    public static function name(): Field
    {
        return Field::text('name', 'Name; each has its number behind it', 'Button', 100);
    }

    public static function count(int $usual): Field
    {
        return Field::whole('count', 'How many', 1, self::MOST, $usual);
    }

    public static function target(string $label = 'Each sets or presses this point'): Field
    {
        return Field::text('target', "{$label}, like slot:palm-house/{n}", null, 200);
    }

    public static function begins(): Field
    {
        return Field::whole('begins', '{n} begins at', 0, 9999, 1);
    }

    /**
     * So many routes, named by their number.
     *
     * @param \Closure(int): array<string, mixed> $route what else each has, by its number from 0
     *
     * @return list<array<string, mixed>>
     */
    public static function routes(string $name, int $count, \Closure $route): array
    {
        return array_map(static fn(int $i): array => ['name' => "{$name} ".($i + 1), ...$route($i)], range(0, $count - 1));
    }

    public static function filled(string $text, int $number): string
    {
        return str_replace(self::GAP, (string) $number, $text);
    }
}
