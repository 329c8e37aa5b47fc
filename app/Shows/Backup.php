<?php

declare(strict_types=1);

namespace App\Shows;

use Illuminate\Support\Facades\DB;

/** Copies of the whole database, made before something large happens to it. */
final class Backup
{
    /** The oldest go when there are more. */
    public const MOST = 20;

    /**
     * @param string $why a word for its name
     *
     * @return string the file
     */
    public static function make(string $why): string
    {
        $folder = self::folder();
        if (! is_dir($folder)) {
            mkdir($folder, 0o700, true);
        }
        $file = $folder.'/'.now()->format('Y-m-d-His-').sprintf('%03d', (int) (microtime(true) * 1000) % 1000)."-{$why}.sqlite";
        // VACUUM INTO writes a sound copy while others go on reading and writing (SQLite, lang_vacuum).
        DB::statement('VACUUM INTO ?', [$file]);
        $all = self::all();
        array_map(unlink(...), \array_slice($all, 0, max(0, \count($all) - self::MOST)));

        return $file;
    }

    /** @return list<string> files, the oldest first */
    public static function all(): array
    {
        $files = glob(self::folder().'/*.sqlite') ?: [];
        sort($files);

        return $files;
    }

    private static function folder(): string
    {
        return config('junction.data').'/backups';
    }
}
