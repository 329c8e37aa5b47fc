<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Amp\Socket\SocketException;
use App\Live\Secret;
use App\Shows\ShowStore;
use Illuminate\Console\Command;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\AlreadyRunning;
use NimbleJunction\Engine\Events\Alarms;
use NimbleJunction\Engine\LiveLink\Door;
use NimbleJunction\Engine\Net\DeviceRules;
use NimbleJunction\Engine\Net\Reach;
use NimbleJunction\Engine\Runner;
use NimbleJunction\Engine\Settings;

final class EngineCommand extends Command
{
    protected $signature = 'junction:engine
        {--show= : run from this show document alone, without database or web server}
        {--state= : with --show: a folder to keep levels and holds in, so that a restart goes on with them}
        {--live= : address of the live link; "off" for none}
        {--for= : stop after so many seconds}';

    protected $description = 'Run the engine: receive, merge, route and send';

    public function handle(): int
    {
        $file = $this->option('show');
        $seconds = $this->option('for');
        if ($seconds !== null && (! is_numeric($seconds) || $seconds <= 0)) {
            $this->error("--for is \"{$seconds}\": give a number of seconds above 0.");

            return self::INVALID;
        }
        if ($file !== null && ! is_file($file)) {
            $this->error("There is no file {$file}: give the path of a show document.");

            return self::INVALID;
        }
        $live = $this->option('live') ?? ($file === null ? (string) config('junction.live') : 'off');
        $directory = $file === null ? (string) config('junction.data') : (string) $this->option('state');
        if ($directory !== '' && ! is_dir($directory)) {
            $this->error("There is no folder {$directory}: make it first, or choose another with --state.");

            return self::INVALID;
        }
        $mail = (string) config('junction.alarm_mail') === '' ? [] : [PHP_BINARY, base_path('artisan'), 'junction:alarm-mail'];
        $folders = [...($directory === '' ? [] : ["{$directory}/devices"]), ...config('junction.devices')];
        $settings = new Settings(
            $directory,
            (string) config('junction.runtime'),
            new Door(
                $live === 'off' ? '' : $live,
                Secret::derive((string) config('app.key')),
                config('junction.origins'),
            ),
            new Reach(new DeviceRules($folders), config('junction.forbidden')),
            new Alarms(max(0, (int) config('junction.alarm_seconds')), $mail),
            $seconds === null ? null : (float) $seconds,
            (string) config('junction.version'),
        );
        try {
            $read = static fn(): array => $file === null
                ? app(ShowStore::class)->withRevision()
                : [(string) file_get_contents($file), 0];
            (new Runner($settings, fn(string $line) => $this->line($line)))->run($read);
        } catch (AlreadyRunning $running) {
            $this->error($running->getMessage());

            return self::FAILURE;
        } catch (ShowRefused $refused) {
            $this->error("The show cannot be used:\n{$refused->getMessage()}");

            return self::FAILURE;
        } catch (SocketException $exception) {
            $this->error("The live link cannot listen at {$live}: {$exception->getMessage()}. Is another engine running?");

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
