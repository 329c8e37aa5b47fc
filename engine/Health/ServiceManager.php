<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Health;

use Revolt\EventLoop;

/**
 * Tells the system's service manager that the engine is ready, and, from the loop itself, that the loop still turns: an engine
 * that hangs is ended and begun again. Where no such manager has started it, nothing is told.
 *
 * Source: sd_notify(3), sd_watchdog_enabled(3) (from memory): datagrams of "NAME=value" lines to the socket in NOTIFY_SOCKET.
 */
final class ServiceManager
{
    /** @var resource|null */
    private $socket;
    private string $callback = '';

    public function __construct()
    {
        $path = (string) getenv('NOTIFY_SOCKET');
        if ($path !== '') {
            // "@" stands for the zero byte that names of no file begin with.
            $this->socket = @stream_socket_client('udg://'.($path[0] === '@' ? "\0".substr($path, 1) : $path)) ?: null;
        }
    }

    /** @param string $status in a few words, for whoever asks the manager */
    public function ready(string $status): void
    {
        $this->tell('READY=1', 'STATUS='.str_replace("\n", ' ', $status));
        $micros = (int) getenv('WATCHDOG_USEC');
        $pid = (string) getenv('WATCHDOG_PID');
        if ($this->socket !== null && $micros > 0 && ($pid === '' || $pid === (string) getmypid())) {
            $this->callback = EventLoop::unreference(EventLoop::repeat($micros / 3e6, fn() => $this->tell('WATCHDOG=1')));
        }
    }

    public function stopping(): void
    {
        EventLoop::cancel($this->callback);
        $this->tell('STOPPING=1');
    }

    private function tell(string ...$lines): void
    {
        if ($this->socket !== null) {
            stream_set_blocking($this->socket, false);
            @fwrite($this->socket, implode("\n", $lines));
        }
    }
}
