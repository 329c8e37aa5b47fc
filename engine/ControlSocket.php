<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use Amp\ByteStream\StreamException;
use Amp\CancelledException;
use Amp\Socket\ServerSocket;
use Amp\Socket\Socket;
use Amp\TimeoutCancellation;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\Health\FaultLog;
use Revolt\EventLoop;

use function Amp\Socket\listen;

/**
 * The door for the application on the same machine: a Unix socket that only
 * this user may open. One line of JSON in, one out.
 *
 *   {"do": "adopt", "document": "…", "revision": 7}  →  {"ok": true} or {"ok": false, "error": "…"}
 */
final class ControlSocket
{
    private const LONGEST_LINE = 32 * 1024 * 1024;
    private const PATIENCE_SECONDS = 10;
    private const MOST = 32;
    private ?ServerSocket $server = null;
    private int $revision = 0;

    /** @var array<int, Socket> those that have not said what they want, in the order in which they came */
    private array $waiting = [];

    public function __construct(private readonly Engine $engine, private readonly FaultLog $faults, private readonly string $path)
    {
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
            $line = $this->line($socket);
            unset($this->waiting[spl_object_id($socket)]);
            if ($line !== '') {
                $socket->write(json_encode($this->answer($line), \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE)."\n");
            }
        } catch (CancelledException|StreamException) {
            // Whoever asked has gone, or never asked.
        } finally {
            unset($this->waiting[spl_object_id($socket)]);
            $socket->close();
        }
    }

    private function line(Socket $socket): string
    {
        $line = '';
        $patience = new TimeoutCancellation(self::PATIENCE_SECONDS);
        while (! str_contains($line, "\n") && \strlen($line) < self::LONGEST_LINE) {
            $chunk = $socket->read($patience);
            if ($chunk === null) {
                break;
            }
            $line .= $chunk;
        }

        return $line;
    }

    /** @return array{ok: bool, error?: string} */
    private function answer(string $line): array
    {
        $message = json_decode($line, true);
        $document = \is_array($message) && ($message['do'] ?? null) === 'adopt' ? $message['document'] ?? null : null;
        if (! \is_string($document)) {
            return ['ok' => false, 'error' => 'The command is not known. Known is: adopt, with a document.'];
        }
        $revision = \is_int($message['revision'] ?? null) ? $message['revision'] : 0;
        if ($revision > 0 && $revision < $this->revision) {
            // Two edits overtook each other on their way here: the newer one runs already, and has this one in it.
            return ['ok' => true];
        }
        try {
            $this->engine->adopt($document);
            $this->revision = max($this->revision, $revision);

            return ['ok' => true];
        } catch (ShowRefused $refused) {
            return ['ok' => false, 'error' => $refused->getMessage()];
        } catch (\Throwable $broken) {
            $this->faults->note('taking on a show', $broken);

            return ['ok' => false, 'error' => "it failed on it ({$broken->getMessage()})"];
        }
    }
}
