<?php

declare(strict_types=1);

namespace App\Backups;

use App\Health\Noted;
use App\Live\EngineDoor;
use App\Models\Show;
use App\Models\User;
use App\Shows\PageCache;
use App\Shows\Telling;
use Illuminate\Support\Facades\DB;

/**
 * Everything as it was when the program was new: a backup is made first, then shows, people, tapes and codes go, and an empty
 * show runs.
 */
final readonly class FactoryReset
{
    public function __construct(private Telling $telling, private EngineDoor $engine)
    {
    }

    /**
     * @return list<string> what was done, in words
     *
     * @throws BackupRefused before anything is changed
     */
    public function reset(Machine $machine): array
    {
        $kept = (new Backups($machine))->make(new Wanted());
        $names = User::query()->pluck('name')->all();
        $show = DB::transaction(static function (): Show {
            $revision = (int) Show::query()->max('revision') + 1;
            Show::query()->each(PageCache::forget(...));
            foreach (['edits', 'show_parts', 'surface_codes', 'shows', 'users', 'login_tries'] as $table) {
                DB::table($table)->delete();
            }

            return Show::query()
                ->create(['name' => 'New show', 'is_current' => true, 'revision' => $revision, 'opened' => $revision])
                ->refresh();
        });
        array_map(unlink(...), glob("{$machine->tapes()}/*.{pcapng,json}", \GLOB_BRACE) ?: []);
        @unlink($machine->identity());
        array_map(fn(string $name) => $this->engine->expel($name), $names);

        Noted::backup('Everything was made as it was when the program was new.');

        return [
            "What was there is kept in {$kept}.",
            $this->telling->whole($show) ?? 'The engine runs an empty show.',
            'Nobody may log in: add somebody with junction:user. Who this machine is on the network is made anew at the next start of the engine.',
        ];
    }
}
