<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Shows\Backup;
use App\Shows\SchemaCheck;
use App\Shows\ShowStore;
use Illuminate\Console\Command;
use NimbleJunction\Core\Show\ShowRefused;

final class ImportCommand extends Command
{
    protected $signature = 'junction:import {file : a show document}';

    protected $description = 'Replace the current show by a show document; undo brings the old one back';

    public function handle(ShowStore $shows): int
    {
        $file = $this->argument('file');
        if (! is_file($file)) {
            $this->error("There is no file {$file}: give the path of a show document.");

            return self::INVALID;
        }
        try {
            $document = SchemaCheck::read((string) file_get_contents($file));
            Backup::make('before-import');
            $notice = $shows->change("import \"{$document['name']}\"", null, static fn(): array => $document);
        } catch (ShowRefused $refused) {
            $this->error("Nothing has changed. The document is wrong here:\n{$refused->getMessage()}");

            return self::FAILURE;
        }
        $this->info("\"{$document['name']}\" is the current show.");
        if ($notice !== null) {
            $this->warn($notice);
        }

        return self::SUCCESS;
    }
}
