<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Engine\Net\Framing\Framing;
use Revolt\EventLoop;

/** One open stream that carries packets both ways, and never blocks. */
final class ByteStream
{
    /** What waits for an other end that does not take it; beyond this packets are dropped, as a network would. */
    private const MOST_WAITING = 262_144;

    /** Bytes that are taken at one look, so that whoever pours keeps nobody else waiting. */
    private const CHUNK = 4096;
    private readonly string $onReadable;
    private ?string $onWritable = null;
    private string $waiting = '';
    private bool $open = true;

    /**
     * @param resource $stream
     * @param \Closure(string): void $packet one that is whole
     * @param \Closure(string): void $ended why, in words
     * @param int $chunk bytes that are taken at one look
     * @param bool $reads whether it is read at all
     */
    public function __construct(
        private $stream,
        private readonly Framing $framing,
        private readonly \Closure $packet,
        private readonly \Closure $ended,
        private readonly int $chunk = self::CHUNK,
        bool $reads = true,
    ) {
        stream_set_blocking($stream, false);
        stream_set_write_buffer($stream, 0);
        stream_set_read_buffer($stream, 0);
        $this->onReadable = $reads ? EventLoop::onReadable($stream, $this->read(...)) : '';
    }

    /** @return string what went wrong, or '' */
    public function send(string $packet): string
    {
        if (! $this->open) {
            return 'the other end is gone';
        }
        $bytes = $this->framing->wrap($packet);
        if (\strlen($this->waiting) + \strlen($bytes) > self::MOST_WAITING) {
            return 'the other end does not take what it is sent';
        }
        $this->waiting .= $bytes;
        $this->write();

        return '';
    }

    public function close(): void
    {
        if ($this->open) {
            $this->open = false;
            EventLoop::cancel($this->onReadable);
            EventLoop::cancel($this->onWritable ?? '');
            if (\is_resource($this->stream)) {
                fclose($this->stream);
            }
        }
    }

    private function read(): void
    {
        $bytes = @fread($this->stream, max(1, $this->chunk));
        if ($bytes === false || ($bytes === '' && feof($this->stream))) {
            $this->end('the other end is gone');

            return;
        }
        if ($bytes === '') {
            return;
        }
        try {
            foreach ($this->framing->push($bytes) as $packet) {
                ($this->packet)($packet);
            }
        } catch (Malformed $malformed) {
            if (! $this->framing->recovers()) {
                $this->end("what came cannot be read any further: {$malformed->reason}");
            }
        }
    }

    private function write(): void
    {
        $written = @fwrite($this->stream, $this->waiting);
        if ($written === false) {
            $this->end('the other end is gone');

            return;
        }
        $this->waiting = substr($this->waiting, $written);
        if ($this->waiting === '') {
            EventLoop::cancel($this->onWritable ?? '');
            $this->onWritable = null;
        } else {
            $this->onWritable ??= EventLoop::onWritable($this->stream, $this->write(...));
        }
    }

    private function end(string $why): void
    {
        if ($this->open) {
            $this->close();
            ($this->ended)($why);
        }
    }
}
