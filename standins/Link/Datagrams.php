<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn\Link;

use Revolt\EventLoop;

/** The network socket of one stand-in, at a loopback address of its own. */
final class Datagrams
{
    /** @var resource */
    private $socket;
    private ?string $callback = null;

    /** @param \Closure(string $bytes, string $from): void $heard */
    public function __construct(string $address, int $port, \Closure $heard)
    {
        $socket = @stream_socket_server("udp://{$address}:{$port}", $code, $message, \STREAM_SERVER_BIND);
        if ($socket === false) {
            throw new \RuntimeException(
                "A stand-in cannot use UDP {$address}:{$port}: {$message}. End the program that has it, or choose other loopback addresses.",
            );
        }
        stream_set_blocking($socket, false);
        $this->socket = $socket;
        $this->callback = EventLoop::onReadable($socket, static function () use ($socket, $heard): void {
            for ($turn = 0; $turn < 64; ++$turn) {
                $bytes = @stream_socket_recvfrom($socket, 65535, 0, $from);
                if (! \is_string($bytes) || $bytes === '') {
                    return;
                }
                $heard($bytes, (string) $from);
            }
        });
    }

    public function send(string $bytes, string $to): void
    {
        @stream_socket_sendto($this->socket, $bytes, 0, $to);
    }

    public function close(): void
    {
        EventLoop::cancel($this->callback ?? '');
        fclose($this->socket);
    }
}
