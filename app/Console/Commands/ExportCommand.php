<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Shows\ShowStore;
use Illuminate\Console\Command;

final class ExportCommand extends Command
{
    protected $signature = 'junction:export {file? : where to; without it, to standard output}';

    protected $description = 'Write the current show as a show document';

    public function handle(ShowStore $shows): int
    {
        $file = $this->argument('file');
        if ($file === null) {
            $this->output->write($shows->json(), false, \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);

            return self::SUCCESS;
        }
        if (@file_put_contents($file, $shows->json()) === false) {
            $this->error("{$file} cannot be written: choose a folder that exists and that you may write to.");

            return self::FAILURE;
        }
        $this->info("\"{$shows->current()->name}\" is in {$file}.");

        return self::SUCCESS;
    }
}
