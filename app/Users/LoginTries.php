<?php

declare(strict_types=1);

namespace App\Users;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/**
 * How often somebody may try to log in within a minute: at a name from one address, from an address, and at a name from
 * anywhere. A try counts when it begins, in one statement, so that many at once are as many.
 */
final class LoginTries
{
    private const SECONDS = 60;
    private const OF_BOTH = 10;
    private const OF_ADDRESS = 30;

    /** Many more, so that nobody is kept out by others who try their name. */
    private const OF_NAME = 200;

    /** @return bool whether it may be tried */
    public static function begin(string $name, string $address): bool
    {
        try {
            return self::mayTry($name, $address);
        } catch (QueryException) {
            // Nothing can be counted on a full disk: whoever has to mend that gets in.
            return true;
        }
    }

    private static function mayTry(string $name, string $address): bool
    {
        $now = time();
        DB::delete('DELETE FROM login_tries WHERE since < ?', [$now - 10 * self::SECONDS]);
        $name = mb_strtolower($name);
        $counts = array_map(
            static fn(string $key): int => self::count($key, $now),
            ["both {$address} {$name}", "address {$address}", "name {$name}"],
        );

        return $counts[0] <= self::OF_BOTH && $counts[1] <= self::OF_ADDRESS && $counts[2] <= self::OF_NAME;
    }

    /** They are who they say: what they tried before does not count. */
    public static function clear(string $name, string $address): void
    {
        $name = mb_strtolower($name);
        rescue(
            static fn() => DB::delete(
                'DELETE FROM login_tries WHERE key IN (?, ?)',
                array_map(
                    static fn(string $key): string => hash('sha256', $key),
                    ["both {$address} {$name}", "address {$address}"],
                ),
            ),
            report: false,
        );
    }

    private static function count(string $key, int $now): int
    {
        $row = DB::selectOne(
            'INSERT INTO login_tries (key, since, count) VALUES (?, ?, 1) ON CONFLICT (key) DO UPDATE SET '
                .'count = CASE WHEN since <= ? THEN 1 ELSE count + 1 END, since = CASE WHEN since <= ? THEN ? ELSE since END RETURNING count',
            [hash('sha256', $key), $now, $now - self::SECONDS, $now - self::SECONDS, $now],
        );

        return (int) ($row->count ?? 1);
    }
}
