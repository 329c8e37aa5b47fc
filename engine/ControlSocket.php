<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use Amp\ByteStream\StreamException;
use Amp\CancelledException;
use Amp\Socket\ServerSocket;
use Amp\Socket\Socket;
use Amp\TimeoutCancellation;
use NimbleJunction\Core\Edit\Update;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\Health\FaultLog;
use NimbleJunction\Engine\Health\Vitals;
use NimbleJunction\Engine\Shows\TakingOn;
use Revolt\EventLoop;

use function Amp\Socket\listen;

/**
 * The door for the application on the same machine: a Unix socket that only
 * this user may open. Lines of JSON in, one out.
 *
 *   {"do": "adopt", "document": "…", "revision": 7}  →  {"ok": true} or {"ok": false, "error": "…"}
 *   {"do": "adopt", "lines": 12, "revision": 7}, then so many lines of a show (see ShowLines)
 *   {"do": "expel", "user": "anna"} or {"do": "expel", "visit": "…"}: what they may has changed, or they have logged out
 *   {"do": "show-mode", "by": "anna"}: all but the live page and surfaces is locked; by "" nothing is
 *   {"do": "status"}: how the engine is (see Vitals)
 *   {"do": "update", "base": 6, "revision": 7}, then a line with what was changed  →  the same, or with "needs": "whole"
 */
final class ControlSocket
{
    /** Bytes of all lines of one command. */
    private const LONGEST = 64 * 1024 * 1024;
    private const MOST_LINES = 100_000;
    private const PATIENCE_SECONDS = 10;
    private const MOST = 32;
    private ?ServerSocket $server = null;

    /** @var array<int, Socket> those that have not said what they want, in the order in which they came */
    private array $waiting = [];

    public function __construct(
        private readonly TakingOn $shows,
        private readonly People $people,
        private readonly Vitals $vitals,
        private readonly ShowMode $showMode,
        private readonly FaultLog $faults,
        private readonly string $path,
    ) {
    }

    public function start(): void
    {
        @unlink($this->path);
        $before = umask(0o177);
        $server = $this->server = listen("unix://{$this->path}");
        umask($before);
        EventLoop::queue(function () use ($server): void {
            while (($socket = $server->accept()) !== null) {
                EventLoop::queue($this->serve(...), $socket);
            }
        });
    }

    public function stop(): void
    {
        $this->server?->close();
        @unlink($this->path);
    }

    private function serve(Socket $socket): void
    {
        $this->waiting[spl_object_id($socket)] = $socket;
        if (\count($this->waiting) > self::MOST) {
            // Whoever has come and said nothing for longest gives way: the application asks at once.
            $oldest = array_key_first($this->waiting);
            $this->waiting[$oldest]->close();
            unset($this->waiting[$oldest]);
        }
        try {
            $next = $this->lines($socket);
            $line = $next();
            unset($this->waiting[spl_object_id($socket)]);
            if ($line !== null) {
                $socket->write(
                    json_encode($this->answer($line, $next), \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE)."\n",
                );
            }
        } catch (CancelledException|StreamException) {
            // Whoever asked has gone, or never asked.
        } finally {
            unset($this->waiting[spl_object_id($socket)]);
            $socket->close();
        }
    }

    /** @return \Closure(): (string|null) that gives one line after the other; null when no more comes */
    private function lines(Socket $socket): \Closure
    {
        $patience = new TimeoutCancellation(self::PATIENCE_SECONDS);
        $rest = '';
        $searched = 0;
        $total = 0;

        return static function () use ($socket, $patience, &$rest, &$searched, &$total): ?string {
            while (($end = strpos($rest, "\n", $searched)) === false) {
                $searched = \strlen($rest);
                $chunk = $total < self::LONGEST ? $socket->read($patience) : null;
                if ($chunk === null && $rest === '') {
                    return null;
                }
                if ($chunk === null) {
                    $end = \strlen($rest);
                    break;
                }
                $rest .= $chunk;
                $total += \strlen($chunk);
            }
            $line = substr($rest, 0, $end);
            $rest = substr($rest, $end + 1);
            $searched = 0;

            return $line;
        };
    }

    /**
     * @param \Closure(): (string|null) $next gives the next line
     *
     * @return array<string, mixed>
     */
    private function answer(string $line, \Closure $next): array
    {
        $message = json_decode($line, true);
        $message = \is_array($message) ? $message : [];
        try {
            return match ($message['do'] ?? null) {
                'adopt' => $this->adopt($message, $next),
                'update' => $this->update($message, $next() ?? ''),
                'status' => ['ok' => true, 'status' => $this->vitals->read(Engine::now())],
                'show-mode' => $this->setShowMode(self::text($message, 'by')),
                'expel' => [
                    'ok' => true,
                    'closed' => $this->people->expel(self::text($message, 'user'), self::text($message, 'visit')),
                ],
                default => self::unknown(),
            };
        } catch (ShowRefused $refused) {
            return ['ok' => false, 'error' => $refused->getMessage()];
        } catch (CancelledException|StreamException $gone) {
            throw $gone;
        } catch (\Throwable $broken) {
            $this->faults->note('taking on a show', $broken);

            return ['ok' => false, 'error' => "it failed on it ({$broken->getMessage()})"];
        }
    }

    /** @return array<string, mixed> */
    private function setShowMode(string $by): array
    {
        $this->showMode->by = $by;

        return ['ok' => true];
    }

    /**
     * @param array<mixed> $message
     * @param \Closure(): (string|null) $next
     *
     * @return array<string, mixed>
     *
     * @throws ShowRefused
     */
    private function adopt(array $message, \Closure $next): array
    {
        $document = $message['document'] ?? null;
        $count = $message['lines'] ?? null;
        if (! \is_string($document) && (! \is_int($count) || $count < 1 || $count > self::MOST_LINES)) {
            return self::unknown();
        }
        $lines = \is_string($document)
            ? explode("\n", $document)
            : array_map(static fn(): string => $next() ?? '', range(1, \is_int($count) ? $count : 1));
        $this->shows->whole($lines, self::number($message, 'revision'));

        return ['ok' => true];
    }

    /**
     * @param array<mixed> $message
     *
     * @return array<string, mixed>
     *
     * @throws ShowRefused
     */
    private function update(array $message, string $line): array
    {
        $told = json_decode($line, true, 64);
        $update = Update::fromArray(\is_array($told) ? $told : []);
        $isTaken = $this->shows->update($line, $update, self::number($message, 'base'), self::number($message, 'revision'));

        return $isTaken ? ['ok' => true] : ['ok' => false, 'needs' => 'whole', 'error' => 'another show is running'];
    }

    /** @param array<mixed> $message */
    private static function number(array $message, string $name): int
    {
        return \is_int($message[$name] ?? null) ? $message[$name] : 0;
    }

    /** @param array<mixed> $message */
    private static function text(array $message, string $name): string
    {
        return \is_string($message[$name] ?? null) ? $message[$name] : '';
    }

    /** @return array<string, mixed> */
    private static function unknown(): array
    {
        return ['ok' => false, 'error' => 'The command is not known. Known is: adopt, with a document.'];
    }
}
