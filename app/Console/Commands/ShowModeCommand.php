<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Users\ShowMode;
use Illuminate\Console\Command;

final class ShowModeCommand extends Command
{
    protected $signature = 'junction:show-mode {turn? : "off" unlocks it without its code}';

    protected $description = 'Whether everything but the live page and surfaces is locked';

    public function handle(ShowMode $showMode): int
    {
        $turn = $this->argument('turn');
        if ($turn !== null && $turn !== 'off') {
            $this->error("\"{$turn}\" is not known: use off. It is locked on the live page.");

            return self::INVALID;
        }
        if ($turn === 'off') {
            $showMode->end('the command line');
        }
        $by = $showMode->by();
        $this->line($by === '' ? 'Show mode is off.' : "Show mode, by {$by}.");

        return self::SUCCESS;
    }
}
