<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

use Amp\Socket\Socket;
use NimbleJunction\Engine\LiveLink\WebSocket\Frame;

use function Amp\async;

/**
 * One page at the other end. What it has not taken yet is never added to by
 * streams, only by answers, and too many of those end the link.
 */
final class Client
{
    private const MOST_WAITING = 64;

    /** @var list<string> frames not yet handed to the system */
    private array $waiting = [];
    private bool $writing = false;
    private bool $closed = false;
    private bool $ending = false;

    public function __construct(private readonly Socket $socket, public readonly Token $token, public readonly int $openedAt)
    {
    }

    public function isBusy(): bool
    {
        return $this->writing || $this->closed;
    }

    /** @param array<string, mixed> $message */
    public function tell(array $message): void
    {
        $this->write(Frame::encode(Frame::TEXT, json_encode($message, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE)));
    }

    public function show(string $bytes): void
    {
        $this->write(Frame::encode(Frame::BINARY, $bytes));
    }

    public function write(string $frame): void
    {
        if ($this->closed) {
            return;
        }
        $this->waiting[] = $frame;
        if (\count($this->waiting) > self::MOST_WAITING) {
            $this->close();

            return;
        }
        if (! $this->writing) {
            $this->writing = true;
            async($this->flush(...))->ignore();
        }
    }

    /** Closes the link once all that was said has been handed over. */
    public function end(int $code, string $reason): void
    {
        $this->ending = true;
        $this->write(Frame::close($code, $reason));
    }

    public function close(): void
    {
        $this->closed = true;
        $this->waiting = [];
        $this->socket->close();
    }

    public function isClosed(): bool
    {
        return $this->closed;
    }

    private function flush(): void
    {
        try {
            while (! $this->closed && $this->waiting !== []) {
                $frames = implode('', $this->waiting);
                $this->waiting = [];
                $this->socket->write($frames);
            }
            if ($this->ending) {
                $this->close();
            }
        } catch (\Amp\ByteStream\StreamException) {
            $this->close();
        } finally {
            $this->writing = false;
        }
    }
}
