<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Health\Health;
use Illuminate\Console\Command;

final class StatusCommand extends Command
{
    protected $signature = 'junction:status {--json : as one JSON object}';

    protected $description = 'How the installation is; ends with 0 when all is well, 1 with something in trouble, 2 with no engine';

    public function handle(Health $health): int
    {
        $engine = $health->engine();
        $troubles = $health->troubles($engine);
        $runs = $engine !== null && $engine !== [];
        if ($this->option('json') === true) {
            $this->line(json_encode(
                ['version' => $health->version(), 'engine' => $runs ? $engine : null, 'troubles' => $troubles],
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
            ));
        } else {
            $this->line("Nimble Junction {$health->version()}");
            if ($runs) {
                $since = date('Y-m-d H:i:s', (int) $engine['startedAt']);
                $ports = \count(Health::ports($engine));
                $this->line("The engine runs \"{$engine['show']}\" since {$since}, process {$engine['pid']}; "
                    ."{$ports} ports, {$engine['universes']} universes, {$engine['pages']} pages; "
                    ."waited {$engine['late']} s at most in the last minute.");
            }
            array_map(fn(string $trouble) => $this->error($trouble), $troubles);
            if ($troubles === []) {
                $this->info('All is well.');
            }
        }

        return $runs ? (int) ($troubles !== []) : 2;
    }
}
