<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

use Amp\Socket\Socket;
use NimbleJunction\Engine\LiveLink\WebSocket\Frame;
use NimbleJunction\Engine\Said\Message;
use Revolt\EventLoop;

/**
 * One page at the other end. Streams are said only to a page that has taken all
 * it was sent before, so nothing grows; what is said within one turn of the
 * event loop goes out in one piece. Answers are always said: a page that asks
 * and asks and takes nothing is cut off.
 */
final class Client
{
    private const MOST_ANSWERS = 1000;
    private const MOST_BYTES = 32 * 1024 * 1024;

    /** @var list<string> frames not yet handed to the system */
    private array $waiting = [];
    private int $waitingBytes = 0;
    private int $answers = 0;
    private int $told = 0;
    private bool $writing = false;
    private bool $closed = false;
    private bool $ending = false;

    public function __construct(
        private readonly Socket $socket,
        public readonly Token $token,
        public readonly int $openedAt,
        public readonly string $address = '',
    ) {
    }

    public function isBusy(): bool
    {
        return $this->writing || $this->closed;
    }

    /**
     * What is said unasked is counted, so that a page knows when it has missed something.
     *
     * @param Message|array<string, mixed> $message
     */
    public function tell(Message|array $message): void
    {
        $fields = \is_array($message) ? $message : $message->jsonSerialize();
        $this->write(self::text([...$fields, 'n' => ++$this->told]));
    }

    /**
     * The same, of what is written out already: what many pages are told is written once.
     *
     * @param string $json an object with at least one field
     */
    public function tellWritten(string $json): void
    {
        $this->write(Frame::encode(Frame::TEXT, substr($json, 0, -1).',"n":'.(++$this->told).'}'));
    }

    /** @param array<string, mixed> $message */
    public function answer(array $message): void
    {
        if (++$this->answers > self::MOST_ANSWERS) {
            $this->close();

            return;
        }
        $this->write(self::text($message));
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
        $this->waitingBytes += \strlen($frame);
        if ($this->waitingBytes > self::MOST_BYTES) {
            $this->close();

            return;
        }
        if (! $this->writing) {
            $this->writing = true;
            EventLoop::defer($this->flush(...));
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
        $this->waitingBytes = 0;
        $this->socket->close();
    }

    private function flush(): void
    {
        try {
            while (! $this->closed && $this->waiting !== []) {
                $frames = implode('', $this->waiting);
                $this->waiting = [];
                $this->waitingBytes = $this->answers = 0;
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

    /** @param array<string, mixed> $message */
    private static function text(array $message): string
    {
        return Frame::encode(
            Frame::TEXT,
            json_encode(
                $message,
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE,
            ),
        );
    }
}
