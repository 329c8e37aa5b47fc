<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use App\Live\Secret;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use Symfony\Component\Process\Process;

/** A page's side of the live link, as the npm library ws speaks it: it gives commands and collects what it hears. */
final class LiveLink
{
    private Process $process;

    /**
     * @param list<array<string, mixed>> $commands
     * @param list<string> $before words before the command, such as "ip netns exec …"
     * @param string $surface id of the surface that a guest is at
     */
    public function __construct(int $port, Role $role, array $commands, float $seconds, array $before = [], string $surface = '')
    {
        $token = Token::sign(
            'Ada',
            $role,
            Secret::derive((string) getenv('APP_KEY')),
            time(),
            $surface,
            $surface === '' ? '' : 'visit-'.bin2hex(random_bytes(4)),
        );
        $question = [
            'url' => "ws://127.0.0.1:{$port}/?token=".urlencode($token),
            'origin' => 'http://127.0.0.1:1',
            'commands' => $commands,
            'seconds' => $seconds,
        ];
        $this->process = new Process(
            [...$before, 'node', __DIR__.'/live.cjs'],
            Background::root(),
            null,
            json_encode($question, JSON_THROW_ON_ERROR),
            90,
        );
        $this->process->start();
    }

    /** @return array<string, list<array<string, mixed>>> what was heard, by type */
    public function heard(): array
    {
        $all = [];
        foreach (self::put($this->heardWhole()['json']) as $message) {
            $all[$message['type']][] = $message;
        }

        return $all;
    }

    /**
     * Each status says what has changed: here every one is put together with those before it, as a page does.
     *
     * @param list<array<string, mixed>> $messages
     *
     * @return list<array<string, mixed>>
     */
    public static function put(array $messages): array
    {
        $whole = ['engine' => null, 'ports' => [], 'universes' => [], 'holds' => [], 'unclaimed' => []];

        return array_map(static function (array $message) use (&$whole): array {
            if ($message['type'] !== 'status') {
                return $message;
            }
            foreach ($whole as $name => $before) {
                $isMap = $name === 'ports' || $name === 'universes';
                $fresh = $message[$name];
                $whole[$name] = $isMap && ! $message['whole'] ? [...$before, ...$fresh] : $fresh ?? $before;
            }

            return [...$message, ...$whole];
        }, $messages);
    }

    /** @return array<string, list<array<string, mixed>>> the same; nothing where the link was not opened */
    public function heardIfOpen(): array
    {
        return ($this->heardWhole()['status'] ?? 0) === 101 ? $this->heard() : [];
    }

    /** @return array<string, mixed> with "close", the code that the link was closed with, and "levels" */
    public function heardWhole(): array
    {
        $this->process->wait();

        return json_decode($this->process->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    }

    public function stop(): void
    {
        $this->process->stop(1);
    }

    public function isRunning(): bool
    {
        return $this->process->isRunning();
    }
}
