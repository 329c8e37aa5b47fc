<?php

declare(strict_types=1);

namespace NimbleJunction\Bench\Support;

use NimbleJunction\Tests\Support\DemoStack;

/** Somebody who is logged in as a builder and edits the show by HTTP, as a page does. */
final class Builder
{
    private const TICKS_A_SECOND = 100;
    private readonly \CurlHandle $curl;

    /** @var list<int> processes of the web server and of the engine */
    private array $processes;

    public function __construct(private readonly DemoStack $demo)
    {
        $this->curl = curl_init();
        curl_setopt_array($this->curl, [CURLOPT_COOKIEFILE => '', CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 60]);
        $this->ask('GET', '/api/session');
        $this->ask('POST', '/api/session', ['name' => 'builder', 'password' => 'night-walk']);
        $this->processes = $this->found();
    }

    /** @return int bytes of the answer */
    public function edit(string $list, string $id, string $name): int
    {
        $answer = $this->ask('POST', "/api/show/{$list}/batch", ['ids' => [$id], 'set' => ['name' => $name]]);
        if (
            curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE) !== 200
            || (json_decode($answer, true)['notice'] ?? null) !== null
        ) {
            throw new \RuntimeException("It was not stored, or is not running: {$answer}");
        }

        return \strlen($answer);
    }

    public function cpuSeconds(): float
    {
        $ticks = 0;
        foreach ($this->processes as $pid) {
            $fields = explode(' ', substr((string) strrchr((string) @file_get_contents("/proc/{$pid}/stat"), ')'), 2));
            $ticks += (int) ($fields[11] ?? 0) + (int) ($fields[12] ?? 0);
        }

        return $ticks / self::TICKS_A_SECOND;
    }

    /** @param array<string, mixed>|null $body */
    private function ask(string $method, string $path, ?array $body = null): string
    {
        $token = '';
        foreach (curl_getinfo($this->curl, CURLINFO_COOKIELIST) as $cookie) {
            $fields = explode("\t", $cookie);
            $token = ($fields[5] ?? '') === 'XSRF-TOKEN' ? urldecode($fields[6] ?? '') : $token;
        }
        curl_setopt_array($this->curl, [
            CURLOPT_URL => $this->demo->url($path),
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_POSTFIELDS => $body === null ? null : json_encode($body, JSON_THROW_ON_ERROR),
            CURLOPT_HTTPHEADER => [
                'Accept: application/json',
                'Content-Type: application/json',
                'X-Answer: changes',
                "X-XSRF-TOKEN: {$token}",
            ],
        ]);

        return (string) curl_exec($this->curl);
    }

    /** @return list<int> the web server with its workers, and the engine, of this stack alone */
    private function found(): array
    {
        $found = [];
        foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $path) {
            $words = str_replace("\0", ' ', (string) @file_get_contents($path));
            $environment = (string) @file_get_contents(\dirname($path).'/environ');
            $isOurs = str_contains($environment, "JUNCTION_DATA={$this->demo->data}\0");
            if ($isOurs && (str_contains($words, ' -S ') || str_contains($words, 'junction:engine'))) {
                $found[] = (int) basename(\dirname($path));
            }
        }

        return $found;
    }
}
