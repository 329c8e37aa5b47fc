<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

/** A UDP socket of a test, at a loopback address of its own. */
final class Udp
{
    /** @var resource */
    private $socket;

    public function __construct(string $address, int $port = 0)
    {
        $this->socket = stream_socket_server(
            "udp://{$address}:{$port}",
            $code,
            $message,
            STREAM_SERVER_BIND,
        ) ?: throw new \RuntimeException($message);
    }

    public function send(string $bytes, string $to): void
    {
        stream_socket_sendto($this->socket, $bytes, 0, $to);
    }

    /** The next datagram, or null after so many seconds without one. */
    public function receive(float $seconds = 3.0, ?string &$from = null): ?string
    {
        $read = [$this->socket];
        $none = [];
        if (stream_select($read, $none, $none, (int) $seconds, (int) (fmod($seconds, 1) * 1e6)) < 1) {
            return null;
        }

        return (string) stream_socket_recvfrom($this->socket, 65535, 0, $from);
    }

    /** Reads until a datagram fits; fails after so many seconds. */
    public function until(callable $fits): string
    {
        $seconds = Background::PATIENCE;
        for ($end = microtime(true) + $seconds; ($left = $end - microtime(true)) > 0;) {
            $bytes = $this->receive($left);
            if ($bytes !== null && $fits($bytes)) {
                return $bytes;
            }
        }

        throw new \RuntimeException("No datagram that fits came within {$seconds} s.");
    }

    /** @return list<array{float, string}> what arrives within so many seconds, and when */
    public function collect(float $seconds): array
    {
        $all = [];
        for ($end = microtime(true) + $seconds; ($left = $end - microtime(true)) > 0;) {
            $bytes = $this->receive($left);
            if ($bytes !== null) {
                $all[] = [microtime(true), $bytes];
            }
        }

        return $all;
    }

    public function close(): void
    {
        fclose($this->socket);
    }
}
