<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Backups\BackupRefused;
use App\Backups\FactoryReset;
use App\Backups\Machine;
use Illuminate\Console\Command;

final class ResetCommand extends Command
{
    protected $signature = 'junction:factory-reset {--yes : do it without asking}';

    protected $description = 'Everything as it was when the program was new; a backup is made first';

    public function handle(FactoryReset $reset): int
    {
        if (
            $this->option('yes') !== true
            && ! $this->confirm(
                'All shows, people, pass codes and recordings of this machine go, and the engine runs an empty show. A backup is made first. Go on?',
            )
        ) {
            $this->line('Nothing was changed.');

            return self::SUCCESS;
        }
        try {
            array_map(fn(string $line) => $this->line($line), $reset->reset(Machine::here()));
        } catch (BackupRefused $refused) {
            $this->error($refused->getMessage().' Nothing was changed.');

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
