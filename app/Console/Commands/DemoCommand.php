<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Processes\PortsInUse;
use App\Processes\Supervisor;
use App\Users\DemoPassword;
use App\Users\Users;
use Illuminate\Console\Command;

final class DemoCommand extends Command
{
    protected $signature = 'junction:demo {--host=127.0.0.1} {--port=8080}';

    /** A busy machine takes its time. */
    private const PATIENCE_SECONDS = 60.0;

    protected $description = 'Run web, engine and stand-ins together, restart what dies, end all on Ctrl-C';

    public function handle(Users $users): int
    {
        $host = (string) $this->option('host');
        $port = (int) $this->option('port');
        if ($port < 1024 || $port > 65533) {
            $this->error("--port is {$this->option('port')}: use 1024 to 65533; the two numbers above it are used too.");

            return self::INVALID;
        }
        $loopback = (string) config('junction.loopback');
        $clash = PortsInUse::find(
            [
                [$host, $port, 'the web page'],
                [$host, $port + 1, 'the live link'],
                [$host, $port + 2, 'the live link of the stand-ins'],
            ],
            [
                ["{$loopback}.1", 6454, 'Art-Net'],
                ["{$loopback}.1", 5568, 'sACN'],
                ["{$loopback}.1", 8000, 'OSC'],
                ["{$loopback}.1", 8010, 'OSC'],
                ["{$loopback}.1", 5004, 'network MIDI'],
                ["{$loopback}.11", 6454, 'the house desk'],
            ],
        );
        if ($clash !== null) {
            $this->error($clash);

            return self::FAILURE;
        }
        $environment = [
            'APP_URL' => "http://{$host}:{$port}",
            'JUNCTION_LIVE' => "{$host}:".($port + 1),
            'JUNCTION_LIVE_URL' => ':'.($port + 1),
            'JUNCTION_STAND_INS' => "{$host}:".($port + 2),
            'PHP_CLI_SERVER_WORKERS' => '4',
        ];
        $supervisor = new Supervisor($environment, fn(string $line) => $this->output->write($line));
        $supervisor->add('engine', [base_path('bin/engine-php'), base_path('artisan'), 'junction:engine']);
        $supervisor->add('stand-ins', [PHP_BINARY, base_path('artisan'), 'junction:stand-ins']);
        $supervisor->add(
            'web',
            [
                PHP_BINARY,
                '-S',
                "{$host}:{$port}",
                '-t',
                public_path(),
                base_path('vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php'),
            ],
            public_path(),
            isQuiet: true,
        );
        $password = (new DemoPassword($users, (string) config('junction.data')))->at($host);
        $supervisor->start();
        if (
            $supervisor->waitFor($host, $port, self::PATIENCE_SECONDS)
            && $supervisor->waitFor($host, $port + 1, self::PATIENCE_SECONDS)
        ) {
            $this->info("Open http://{$host}:{$port} and log in as builder, operator or viewer with the password {$password}.");
            $this->line('Ctrl-C ends everything.');
        }

        $supervisor->run();

        return self::SUCCESS;
    }
}
