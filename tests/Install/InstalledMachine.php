<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Install;

use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\Assert;
use Symfony\Component\Process\Process;

/** The program as readme installs it, with real systemd, nginx and PHP-FPM. */
final class InstalledMachine
{
    public const ROOT = '/srv/nimble-junction';

    /** What tests set for themselves is not there. */
    private const CLEAN = [
        'APP_ENV' => false,
        'APP_KEY' => false,
        'SESSION_DRIVER' => false,
        'BCRYPT_ROUNDS' => false,
        'CACHE_STORE' => false,
        'JUNCTION_MACHINE' => false,
    ];

    public readonly Services $services;
    private string $cookies = '';

    public function __construct()
    {
        $this->services = new Services();
    }

    /** @return string the folder with the archive, made once on each machine */
    public static function release(): string
    {
        $folder = '/srv/release';
        if (! is_dir($folder)) {
            mkdir($folder);
            (new Process(['bin/release', $folder], Background::root(), null, null, 600))->mustRun();
        }

        return $folder;
    }

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
            CURLOPT_HTTPHEADER => [
                'Accept: application/json',
                'Content-Type: application/json',
                'X-XSRF-TOKEN: '.$this->token(),
                ...$headers,
            ],
            CURLOPT_TIMEOUT => 170,
            CURLOPT_HEADERFUNCTION => static function ($curl, string $line) use (&$received): int {
                [$name, $value] = explode(':', $line, 2) + [1 => ''];
                $received[strtolower(trim($name))][] = trim($value);

                return \strlen($line);
            },
        ] + ($body === '' ? [] : [CURLOPT_POSTFIELDS => $body]));
        $text = curl_exec($curl);
        $answer = new Answer(
            (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE),
            $received,
            \is_string($text) ? $text : '',
            curl_error($curl),
        );
        $this->keep($received['set-cookie'] ?? []);

        return $answer;
    }

    /** @param array<mixed> $body */
    public function send(string $method, string $url, array $body = []): Answer
    {
        return $this->ask($method, $url, json_encode($body, JSON_THROW_ON_ERROR));
    }

    /** Until the engine, PHP and the web server answer, all of them. */
    public function untilWell(string $what): void
    {
        Background::until(fn(): bool => $this->ask('GET', 'http://127.0.0.1/health')->status === 200, $what);
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
        $this->cookies = implode(
            '; ',
            array_map(static fn(string $name, string $value): string => "{$name}={$value}", array_keys($all), $all),
        );
    }
}
