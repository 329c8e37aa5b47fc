<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Backups\BackupFile;
use App\Backups\BackupRefused;
use App\Backups\Machine;
use App\Backups\Restoring;
use App\Backups\Wanted;
use Illuminate\Console\Command;

final class RestoreCommand extends Command
{
    protected $signature = 'junction:restore {file : a backup}
        {--without-users : people and passwords stay as they are here}
        {--without-tapes : recordings stay as they are here}
        {--yes : do it without asking}';

    protected $description = 'Put a backup back, while everything runs; what is there now is kept first';

    public function handle(Restoring $restoring): int
    {
        $file = (string) $this->argument('file');
        try {
            $about = BackupFile::about($file);
            $this->line("A backup of {$about['made']}, by version {$about['version']}"
                .($about['users'] ? ', with people' : ', without people').($about['tapes'] ? ' and recordings.' : '.'));
            $what = $about['users'] && $this->option('without-users') !== true ? 'Shows and people' : 'Shows';
            $question = "{$what} of this machine give way to those of the backup, "
                .'and the engine runs the show that was open in it. Go on?';
            if ($this->option('yes') !== true && ! $this->confirm($question)) {
                $this->line('Nothing was changed.');

                return self::SUCCESS;
            }
            $wanted = new Wanted($this->option('without-users') !== true, $this->option('without-tapes') !== true);
            array_map(fn(string $line) => $this->line($line), $restoring->restore($file, Machine::here(), $wanted));
        } catch (BackupRefused $refused) {
            $this->error($refused->getMessage().' Nothing was changed.');

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
