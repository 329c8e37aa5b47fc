<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Install;

use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\Assert;
use Symfony\Component\Process\Process;

/** The program as readme installs it, with real nginx and PHP-FPM, and the engine by its unit's own command: what a service manager would do. */
final class InstalledMachine
{
    public const ROOT = '/srv/nimble-junction';

    /** What tests set for themselves is not there. */
    private const CLEAN = ['APP_ENV' => false, 'APP_KEY' => false, 'SESSION_DRIVER' => false, 'BCRYPT_ROUNDS' => false, 'CACHE_STORE' => false, 'JUNCTION_MACHINE' => false];

    /** @var array<string, Background> by name */
    private array $services = [];
    private string $cookies = '';

    /** Follows a line of the readme. @return string what it said */
    public function follow(string $line, string $typed = '', string $in = '/srv'): string
    {
        $line = (string) preg_replace(['/^sudo -u www-data /', '/^sudo /'], ['runuser -u www-data -- ', ''], $line);
        $process = Process::fromShellCommandline($line, $in, ['HOME' => '/root', ...self::CLEAN], $typed, 300);
        $process->run();
        $said = $process->getOutput().$process->getErrorOutput();
        Assert::assertSame(0, $process->getExitCode(), "{$line}\n{$said}");

        return $said;
    }

    /** What a service manager starts. */
    public function start(string ...$names): void
    {
        foreach ($names as $name) {
            $this->services[$name] = new Background(match ($name) {
                'php' => ['php-fpm8.2', '--nodaemonize'],
                'nginx' => ['nginx', '-g', 'daemon off;'],
                default => $this->unit(),
            }, ['RUNTIME_DIRECTORY' => '/run/nimble-junction', ...self::CLEAN], $name === 'engine' ? self::ROOT.'/current' : '/');
        }
    }

    public function stop(string ...$names): void
    {
        foreach ($names as $name) {
            $this->services[$name]->stop();
            unset($this->services[$name]);
        }
    }

    /** As a fault would, with all that belongs to it. */
    public function kill(string $name): void
    {
        foreach ($this->tree($this->services[$name]->pid()) as $pid) {
            posix_kill($pid, SIGKILL);
        }
        $this->services[$name]->stop();
        unset($this->services[$name]);
    }

    /** @return list<int> a process and all that it has begun, itself first */
    private function tree(int $pid): array
    {
        $children = array_filter(explode("\n", trim((string) shell_exec("pgrep -P {$pid}"))));

        return [$pid, ...array_merge(...array_map(fn(string $child): array => $this->tree((int) $child), $children))];
    }

    /** What it holds alone, with its children. */
    public function megabytes(string $name): float
    {
        $kilobytes = 0;
        foreach ($this->tree($this->services[$name]->pid()) as $pid) {
            $kilobytes += preg_match('/^RssAnon:\s+(\d+)/m', (string) @file_get_contents("/proc/{$pid}/status"), $found) === 1 ? (int) $found[1] : 0;
        }

        return $kilobytes / 1024;
    }

    /** @return list<string> engines that run beside the one that is meant to */
    public function zombies(): array
    {
        $engines = array_filter(explode("\n", trim((string) shell_exec("pgrep --runstates S,R,D -f 'artisan junction:[e]ngine' | grep -v '^$'"))));

        return \count($engines) <= 2 ? [] : array_values($engines);
    }

    public function stopAll(): void
    {
        $this->stop(...array_keys($this->services));
    }

    public function service(string $name): Background
    {
        return $this->services[$name];
    }

    /** @return list<string> the unit's command, as its user */
    private function unit(): array
    {
        $unit = (string) file_get_contents('/etc/systemd/system/nimble-junction-engine.service');
        $of = static fn(string $key): string => preg_match("/^{$key}=(.*)$/m", $unit, $found) === 1 ? $found[1] : '';
        Assert::assertSame(self::ROOT.'/current', $of('WorkingDirectory'));
        if (! is_dir('/run/nimble-junction')) {
            mkdir('/run/nimble-junction', 0o700);
            chown('/run/nimble-junction', $of('User'));
        }

        return ['runuser', '-u', $of('User'), '--', 'sh', '-c', "umask {$of('UMask')}; exec {$of('ExecStart')}"];
    }

    /** @return Answer what is answered; status 0 where nobody is there */
    public function ask(string $method, string $url, string $body = '', array $headers = []): Answer
    {
        $curl = curl_init($url);
        $received = [];
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_CAINFO => self::ROOT.'/tls/certificate.pem',
            CURLOPT_COOKIE => $this->cookies,
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', 'X-XSRF-TOKEN: '.$this->token(), ...$headers],
            CURLOPT_TIMEOUT => 170,
            CURLOPT_HEADERFUNCTION => static function ($curl, string $line) use (&$received): int {
                [$name, $value] = explode(':', $line, 2) + [1 => ''];
                $received[strtolower(trim($name))][] = trim($value);

                return \strlen($line);
            },
        ] + ($body === '' ? [] : [CURLOPT_POSTFIELDS => $body]));
        $text = curl_exec($curl);
        $answer = new Answer((int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE), $received, \is_string($text) ? $text : '', curl_error($curl));
        $this->keep($received['set-cookie'] ?? []);

        return $answer;
    }

    /** @param array<mixed> $body */
    public function send(string $method, string $url, array $body = []): Answer
    {
        return $this->ask($method, $url, json_encode($body, JSON_THROW_ON_ERROR));
    }

    public function cookies(): string
    {
        return $this->cookies;
    }

    public function forget(): void
    {
        $this->cookies = '';
    }

    private function token(): string
    {
        return preg_match('/XSRF-TOKEN=([^;]+)/', $this->cookies, $found) === 1 ? rawurldecode($found[1]) : '';
    }

    /** @param list<string> $set */
    private function keep(array $set): void
    {
        $all = [];
        foreach (array_filter(explode('; ', $this->cookies)) as $pair) {
            [$name, $value] = explode('=', $pair, 2) + [1 => ''];
            $all[$name] = $value;
        }
        foreach ($set as $line) {
            [$name, $value] = explode('=', explode(';', $line)[0], 2) + [1 => ''];
            $all[$name] = $value;
        }
        $this->cookies = implode('; ', array_map(static fn(string $name, string $value): string => "{$name}={$value}", array_keys($all), $all));
    }
}
