<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Backups\BackupFile;
use App\Backups\BackupRefused;
use App\Backups\Backups;
use App\Backups\Machine;
use App\Backups\Wanted;
use Illuminate\Console\Command;

final class BackupCommand extends Command
{
    protected $signature = 'junction:backup {file? : where to; left out, into the folder of backups}
        {--without-users : neither people nor pass codes of surfaces}
        {--without-tapes : no recordings}
        {--keep= : remove those of the folder that are older than so many days; the newest stays}';

    protected $description = 'One file with all that a spare machine needs, made while everything runs';

    public function handle(): int
    {
        $machine = Machine::here();
        $wanted = new Wanted($this->option('without-users') !== true, $this->option('without-tapes') !== true);
        $days = $this->option('keep');
        if ($days !== null && (! ctype_digit($days) || (int) $days < 1 || (int) $days > 3650)) {
            $this->error("--keep is \"{$days}\": give a number of days, 1 to 3650.");

            return self::INVALID;
        }
        try {
            $file = (string) $this->argument('file');
            if ($file === '') {
                $file = (new Backups($machine))->make($wanted);
            } else {
                BackupFile::make($file, $machine, $wanted);
            }
        } catch (BackupRefused $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        }
        $this->info(
            "{$file}, ".number_format((int) filesize($file) / 1e6, 1).' MB'
                .($wanted->users ? '; it holds password hashes: keep it as you keep keys' : '').'.',
        );
        if ($days !== null) {
            $gone = (new Backups($machine))->prune((int) $days);
            $this->line($gone === 0 ? "None was older than {$days} days." : "{$gone} older than {$days} days removed.");
        }

        return self::SUCCESS;
    }
}
