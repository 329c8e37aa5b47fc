<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn\Link;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\StreamParser;
use Revolt\EventLoop;

/**
 * A virtual cable to another program of this machine: MIDI bytes through a Unix socket. It is plugged in again when
 * it falls out.
 */
final class Cable implements MidiLink
{
    private const TRY_EVERY_SECONDS = 0.5;

    /** @var resource|null */
    private $stream;
    private ?string $reader = null;
    private ?string $timer = null;

    /** @var \Closure(\NimbleJunction\Core\Wire\Midi\MidiMessage): void */
    private \Closure $heard;

    public function __construct(private readonly string $path)
    {
        $this->heard = static function (): void {
        };
    }

    public function start(\Closure $heard): void
    {
        $this->heard = $heard;
        $this->timer = EventLoop::repeat(self::TRY_EVERY_SECONDS, $this->plugIn(...));
        $this->plugIn();
    }

    public function send(string $bytes): void
    {
        if ($this->stream !== null && @fwrite($this->stream, $bytes) === false) {
            $this->fallOut();
        }
    }

    public function isOpen(): bool
    {
        return $this->stream !== null;
    }

    public function spelled(): string
    {
        return 'virtual cable '.basename($this->path, '.midi');
    }

    public function stop(): void
    {
        EventLoop::cancel($this->timer ?? '');
        $this->fallOut();
    }

    private function plugIn(): void
    {
        if ($this->stream !== null || ! file_exists($this->path)) {
            return;
        }
        $stream = @stream_socket_client("unix://{$this->path}", $code, $message, 0.2);
        if ($stream === false) {
            return;
        }
        stream_set_blocking($stream, false);
        $this->stream = $stream;
        $parser = new StreamParser();
        $this->reader = EventLoop::onReadable($stream, function () use ($stream, $parser): void {
            $bytes = @fread($stream, 4096);
            if ($bytes === '' || $bytes === false) {
                $this->fallOut();

                return;
            }
            foreach ($parser->push($bytes) as $one) {
                if (! $one->what instanceof Malformed) {
                    ($this->heard)($one->what);
                }
            }
        });
    }

    private function fallOut(): void
    {
        EventLoop::cancel($this->reader ?? '');
        if ($this->stream !== null) {
            fclose($this->stream);
            $this->stream = null;
        }
    }
}
