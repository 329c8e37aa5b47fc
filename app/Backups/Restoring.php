<?php

declare(strict_types=1);

namespace App\Backups;

use App\Health\Noted;
use App\Live\EngineDoor;
use App\Models\Show;
use App\Models\User;
use App\Shows\Backup;
use App\Shows\PageCache;
use App\Shows\ShowText;
use App\Shows\Telling;
use Illuminate\Contracts\Config\Repository;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/**
 * Puts a backup back while everything runs: what is there now is kept first; then the rows of the backup take the place of
 * those that are there, in one transaction, and the engine is told. The lamps follow the show that was open in it.
 */
final readonly class Restoring
{
    private const CONNECTION = 'brought';

    private const SHOWS = ['shows', 'show_parts', 'edits'];
    private const PEOPLE = ['users', 'surface_codes'];


    public function __construct(
        private Telling $telling,
        private EngineDoor $engine,
        private Kernel $console,
        private Repository $config,
    ) {
    }

    /**
     * @return list<string> what was done, in words
     *
     * @throws BackupRefused before anything is changed
     */
    public function restore(string $path, Machine $machine, Wanted $wanted): array
    {
        $about = BackupFile::about($path);
        $brought = "{$machine->data}/brought-".bin2hex(random_bytes(4)).'.sqlite';
        try {
            BackupFile::takeDatabase($path, $brought);
            $this->bringUpToDate($brought, $about['version']);
            $kept = Backup::make('before-restore');
            $takesPeople = $wanted->users && $about['users'];
            $this->replace($brought, $takesPeople);
        } finally {
            DB::purge(self::CONNECTION);
            array_map(static fn(string $end): bool => @unlink($brought.$end), ['', '-wal', '-shm']);
        }

        Noted::backup("A backup of {$about['made']} was put back.");

        return array_values(array_filter([
            "What was there is kept in {$kept}.",
            "The shows are those of {$about['made']} again".($takesPeople
                ? ', and so are the people who may log in: everybody logs in again.'
                : '; people and their passwords stay as they are here.'),
            $this->identity($path, $machine),
            $wanted->tapes ? $this->tapes($path, $machine) : '',
            $this->tell(),
        ]));
    }

    /** An older database is brought to our form; a newer one than ours is refused. */
    private function bringUpToDate(string $brought, string $version): void
    {
        $known = array_map(
            static fn(string $file): string => basename($file, '.php'),
            glob(database_path('migrations/*.php')) ?: [],
        );
        $this->config->set(
            'database.connections.'.self::CONNECTION,
            ['database' => $brought, 'journal_mode' => 'delete'] + (array) $this->config->get('database.connections.sqlite'),
        );
        try {
            $its = DB::connection(self::CONNECTION)->table('migrations')->pluck('migration')->all();
        } catch (\Illuminate\Database\QueryException) {
            throw new BackupRefused('The database in it cannot be read: the backup is damaged. Take another one.');
        }
        if (array_diff($its, $known) !== []) {
            throw new BackupRefused(
                "It was made by version {$version}, which is newer than this one: upgrade this machine first.",
            );
        }
        $this->console->call('migrate', ['--database' => self::CONNECTION, '--force' => true, '--quiet' => true]);
        self::findSound();
        DB::purge(self::CONNECTION);
    }

    /** The engine would refuse a show that cannot run, and the one of before would be gone from the page. */
    private static function findSound(): void
    {
        $show = Show::on(self::CONNECTION)->where('is_current', true)->first();
        try {
            $show === null || ShowReader::fromArray(ShowText::document($show));
        } catch (ShowRefused $refused) {
            throw new BackupRefused("The show that is open in it cannot run: {$refused->getMessage()} Take another one.");
        }
    }

    private function replace(string $brought, bool $takesPeople): void
    {
        DB::statement('ATTACH DATABASE ? AS brought', [$brought]);
        // Whole tables change places: what hangs on a row must not go with it in between.
        DB::statement('PRAGMA foreign_keys = OFF');
        try {
            DB::transaction(static function () use ($takesPeople): void {
                $revision = (int) Show::query()->max('revision');
                $logins = (int) User::query()->max('logins') + 1;
                Show::query()->each(PageCache::forget(...));
                $tables = $takesPeople ? [...self::SHOWS, ...self::PEOPLE] : self::SHOWS;
                array_map(self::exchange(...), $tables);
                DB::statement('UPDATE main.edits SET user_id = NULL WHERE user_id NOT IN (SELECT id FROM main.users)');
                DB::statement('DELETE FROM main.surface_codes WHERE show_id NOT IN (SELECT id FROM main.shows)');
                if ($takesPeople) {
                    User::query()->update(['logins' => $logins]);
                }
                if (DB::select('PRAGMA main.foreign_key_check') !== []) {
                    throw new BackupRefused(
                        'The database in it does not hang together: the backup is damaged. Take another one.',
                    );
                }
                // To pages and engine it is another show that was opened: what they have of the one before is no part of it.
                $next = max($revision, (int) Show::query()->max('revision')) + 1;
                Show::query()->where('is_current', true)->update(['revision' => $next, 'opened' => $next]);
            });
        } finally {
            DB::statement('PRAGMA foreign_keys = ON');
            DB::statement('DETACH DATABASE brought');
        }
        if ($takesPeople) {
            User::query()->pluck('name')->each(fn(string $name) => $this->engine->expel($name));
        }
    }

    private static function exchange(string $table): void
    {
        $names = array_map(static fn(string $name): string => "\"{$name}\"", DB::getSchemaBuilder()->getColumnListing($table));
        $columns = implode(', ', $names);
        DB::statement("DELETE FROM main.{$table}");
        DB::statement("INSERT INTO main.{$table} ({$columns}) SELECT {$columns} FROM brought.{$table}");
    }

    private function identity(string $path, Machine $machine): string
    {
        $identity = BackupFile::identity($path);
        $here = is_file($machine->identity()) ? trim((string) file_get_contents($machine->identity())) : '';
        if ($identity === null || $identity === $here) {
            return '';
        }
        file_put_contents($machine->identity(), $identity);

        return 'On the network this machine is the one of the backup from the next start of the engine on: never run both at once.';
    }

    private function tapes(string $path, Machine $machine): string
    {
        $files = BackupFile::takeTapes($path, $machine);

        return $files === 0 ? '' : "{$files} files of tapes were unpacked.";
    }

    private function tell(): string
    {
        $show = Show::query()->where('is_current', true)->first();

        return $show === null
            ? 'No show was open in it: open one.'
            : ($this->telling->whole($show) ?? "The engine runs \"{$show->name}\".");
    }
}
