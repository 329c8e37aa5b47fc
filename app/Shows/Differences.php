<?php

declare(strict_types=1);

namespace App\Shows;

/** Where two forms of one part of a show differ, field by field. */
final class Differences
{
    private const MOST = 12;
    private const LONGEST = 80;

    /**
     * @param array<string, mixed> $was
     * @param array<string, mixed> $is
     *
     * @return list<array{field: string, was: string, is: string}> with paths like "receive/port"
     */
    public static function between(array $was, array $is): array
    {
        $differences = [];
        self::collect($was, $is, '', $differences);

        return \array_slice($differences, 0, self::MOST);
    }

    /**
     * The paths of all fields that are not the same in all of them.
     *
     * @param array<mixed> ...$parts
     *
     * @return list<string>
     */
    public static function paths(array $was, array ...$parts): array
    {
        $paths = [];
        foreach ($parts as $part) {
            $differences = [];
            self::collect($was, $part, '', $differences);
            array_push($paths, ...array_column($differences, 'field'));
        }

        return array_values(array_unique($paths));
    }

    /** @param array<mixed> $part */
    public static function at(array $part, string $path): mixed
    {
        return \NimbleJunction\Core\Document\Table::at($part, explode('/', $path));
    }

    /**
     * @param array<mixed> $was
     * @param array<mixed> $is
     * @param list<array{field: string, was: string, is: string}> $differences
     */
    private static function collect(array $was, array $is, string $path, array &$differences): void
    {
        foreach (array_unique([...array_keys($was), ...array_keys($is)]) as $key) {
            $one = $was[$key] ?? null;
            $other = $is[$key] ?? null;
            if ($one === $other) {
                continue;
            }
            if (\is_array($one) && \is_array($other) && ! array_is_list($one) && ! array_is_list($other)) {
                self::collect($one, $other, "{$path}{$key}/", $differences);
            } else {
                $differences[] = ['field' => "{$path}{$key}", 'was' => self::spelled($one), 'is' => self::spelled($other)];
            }
        }
    }

    private static function spelled(mixed $value): string
    {
        return $value === null ? 'not there' : mb_strimwidth(
            (string) json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE),
            0,
            self::LONGEST,
            '…',
        );
    }
}
