<?php

declare(strict_types=1);

namespace App\Backups;

/**
 * One file with all that a spare machine needs: a zip with what it is (backup.json), the database, who the machine is on the
 * network, and the tapes. The database is copied by SQLite itself (VACUUM INTO), so it is of one moment while others write.
 */
final class BackupFile
{
    private const KIND = 'nimble-junction/backup';
    private const ABOUT = 'backup.json';
    private const DATABASE = 'shows.sqlite';
    private const IDENTITY = 'identity';
    private const TAPES = 'tapes/';

    /** Tables of what is over in minutes, and of people. */
    private const PASSING = ['login_tries'];
    private const PEOPLE = ['users', 'surface_codes'];

    /** What a tape and its label are called. */
    private const TAPE = '#^tapes/[a-z0-9][a-z0-9-]{0,59}\.(pcapng|json)$#D';

    /**
     * @param string $path to be written; what is there is replaced when the new one is whole
     *
     * @throws BackupRefused
     */
    public static function make(string $path, Machine $machine, Wanted $wanted): void
    {
        $folder = \dirname($path);
        if ((! is_dir($folder) && ! @mkdir($folder, 0o700, true)) || ! is_writable($folder)) {
            throw new BackupRefused("The folder {$folder} cannot be written: choose another one.");
        }
        $database = "{$path}.sqlite";
        $next = "{$path}.next";
        try {
            self::copyDatabase($machine->database(), $database, $wanted);
            self::pack($next, $database, $machine, $wanted);
            chmod($next, 0o600);
            rename($next, $path);
        } finally {
            @unlink($database);
            @unlink($next);
        }
    }

    /**
     * @return array{version: string, made: string, users: bool, tapes: bool} what a backup says of itself
     *
     * @throws BackupRefused
     */
    public static function about(string $path): array
    {
        $zip = self::open($path);
        $about = json_decode((string) $zip->getFromName(self::ABOUT, 10_000), true);
        $zip->close();
        if (! \is_array($about) || ($about['kind'] ?? '') !== self::KIND) {
            throw new BackupRefused("{$path} is no backup of this program: give a file that junction:backup has made.");
        }

        return [
            'version' => \is_string($about['version'] ?? null) ? $about['version'] : '',
            'made' => \is_string($about['made'] ?? null) ? $about['made'] : '',
            'users' => ($about['users'] ?? false) === true,
            'tapes' => ($about['tapes'] ?? false) === true,
        ];
    }

    /**
     * Its database, as a file of its own; the caller removes it.
     *
     * @throws BackupRefused
     */
    public static function takeDatabase(string $path, string $to): void
    {
        self::about($path);
        $zip = self::open($path);
        $in = $zip->getStream(self::DATABASE);
        if ($in === false || file_put_contents($to, $in) === false) {
            throw new BackupRefused("{$path} holds no database that can be unpacked: it is damaged, or the disk is full.");
        }
        $zip->close();
        chmod($to, 0o600);
    }

    /** @return string|null who the machine was on the network; null where it does not say so */
    public static function identity(string $path): ?string
    {
        $zip = self::open($path);
        $identity = trim((string) $zip->getFromName(self::IDENTITY, 100));
        $zip->close();

        return preg_match('/^[0-9a-f]{32}$/D', $identity) === 1 ? $identity : null;
    }

    /**
     * Tapes that this machine does not have are unpacked; those that it has stay as they are.
     *
     * @return int how many files were
     */
    public static function takeTapes(string $path, Machine $machine): int
    {
        $zip = self::open($path);
        $taken = 0;
        for ($i = 0; $i < $zip->numFiles; ++$i) {
            $name = (string) $zip->getNameIndex($i);
            $to = $machine->tapes().'/'.basename($name);
            $in = preg_match(self::TAPE, $name) === 1 && ! is_file($to) ? $zip->getStream($name) : false;
            if ($in === false) {
                continue;
            }
            if (! is_dir($machine->tapes())) {
                mkdir($machine->tapes(), 0o700, true);
            }
            file_put_contents("{$to}.next", $in);
            rename("{$to}.next", $to);
            ++$taken;
        }
        $zip->close();

        return $taken;
    }

    private static function copyDatabase(string $from, string $to, Wanted $wanted): void
    {
        @unlink($to);
        touch($to);
        chmod($to, 0o600);
        $source = new \PDO("sqlite:{$from}", options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $source->exec('PRAGMA busy_timeout = 30000');
        $source->prepare('VACUUM INTO ?')->execute([$to]);
        $copy = new \PDO("sqlite:{$to}", options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        // Of an older form some are not there yet: an upgrade begins with a backup.
        $there = $copy->query("SELECT name FROM sqlite_master WHERE type = 'table'")->fetchAll(\PDO::FETCH_COLUMN);
        foreach (array_intersect($wanted->users ? self::PASSING : [...self::PASSING, ...self::PEOPLE], $there) as $table) {
            $copy->exec("DELETE FROM {$table}");
        }
        if (! $wanted->users) {
            $copy->exec('UPDATE edits SET user_id = NULL');
            // What was deleted is not to be found in the file either.
            $copy->exec('VACUUM');
        }
    }

    private static function pack(string $path, string $database, Machine $machine, Wanted $wanted): void
    {
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
            throw new BackupRefused("{$path} cannot be written: choose another folder.");
        }
        $zip->addFromString(self::ABOUT, json_encode([
            'kind' => self::KIND,
            'version' => $machine->version,
            'made' => gmdate('Y-m-d\TH:i:s\Z'),
            'users' => $wanted->users,
            'tapes' => $wanted->tapes,
        ], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT));
        $zip->addFile($database, self::DATABASE);
        if (is_file($machine->identity())) {
            $zip->addFile($machine->identity(), self::IDENTITY);
        }
        foreach ($wanted->tapes ? (glob("{$machine->tapes()}/*.{pcapng,json}", \GLOB_BRACE) ?: []) : [] as $tape) {
            $zip->addFile($tape, self::TAPES.basename($tape));
        }
        if (! @$zip->close()) {
            throw new BackupRefused("{$path} cannot be written: is the disk full?");
        }
    }

    /** @throws BackupRefused */
    private static function open(string $path): \ZipArchive
    {
        $zip = new \ZipArchive();
        if (! is_file($path) || $zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw new BackupRefused("{$path} is no backup that can be read: give a file that junction:backup has made.");
        }

        return $zip;
    }
}
