<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use Symfony\Component\Process\Process;

/** The whole demo (web, engine, stand-ins) on free ports, loopback addresses and a data folder of its own. */
final class DemoStack
{
    public readonly string $data;
    public readonly int $port;
    private Background $demo;

    public function __construct(public readonly string $loopback = '127.77.0')
    {
        $this->data = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6));
        mkdir($this->data);
        touch("{$this->data}/shows.sqlite");
        $this->port = self::threeFreePorts();
        foreach ([['migrate', '--force'], ['db:seed', '--force']] as $words) {
            (new Process([PHP_BINARY, 'artisan', ...$words], Background::root(), $this->environment()))->mustRun();
        }
        $this->demo = new Background([PHP_BINARY, 'artisan', 'junction:demo', "--port={$this->port}"], $this->environment());
        $this->demo->untilSaid('Open http://');
    }

    /** @return array<string, string> */
    public function environment(): array
    {
        return [
            'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)),
            'APP_ENV' => 'production',
            'SESSION_DRIVER' => 'file',
            'CACHE_STORE' => 'file',
            'JUNCTION_DATA' => $this->data,
            'JUNCTION_LOOPBACK' => $this->loopback,
        ];
    }

    public function url(string $path = '/'): string
    {
        return "http://127.0.0.1:{$this->port}{$path}";
    }

    public function output(): string
    {
        return $this->demo->output();
    }

    /** @return list<int> the web server and its workers */
    public function webPids(): array
    {
        $pids = [];
        foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
            if (str_contains((string) @file_get_contents($file), "\0-S\x00127.0.0.1:{$this->port}\0")) {
                $pids[] = (int) basename(\dirname($file));
            }
        }

        return $pids;
    }

    public function signal(int $signal): void
    {
        $this->demo->signal($signal);
    }

    public function stop(): void
    {
        $this->demo->stop();
        (new Process(['rm', '-rf', $this->data]))->run();
    }

    private static function threeFreePorts(): int
    {
        return (int) Background::until(static function (): ?int {
            $port = random_int(20000, 50000);
            for ($i = 0; $i < 3; ++$i) {
                $socket = @stream_socket_server('tcp://127.0.0.1:'.($port + $i));
                if ($socket === false) {
                    return null;
                }
                fclose($socket);
            }

            return $port;
        }, 'Finding three free ports');
    }
}
