<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/** A local address that cannot be listened at, and what a person can do about it. */
final class CannotListen extends \RuntimeException
{
    public static function at(string $address, int $port, string $why): self
    {
        return new self("{$address}".($port === 0 ? '' : ":{$port}")." cannot be used: {$why}.");
    }

    public static function named(string $where, string $why): self
    {
        [$address, $port] = explode(':', $where, 2) + ['', ''];
        $holder = ctype_digit($port) ? Holder::of($address, (int) $port, 'tcp') : '';

        return new self(
            "{$where} cannot be listened at: {$why}. ".($holder === '' ? 'Is another program there already?' : "It is in use by {$holder}: close that program, or choose another port."),
        );
    }

    public static function because(string $address, int $port, int $code): self
    {
        $holder = $code === \SOCKET_EADDRINUSE ? (Holder::of($address, $port) ?: 'another program') : '';

        return new self(match ($code) {
            \SOCKET_EADDRINUSE => "UDP port {$port} at {$address} is in use by {$holder}: close that program, or choose another port or address.",
            \SOCKET_EADDRNOTAVAIL => "{$address} is not an address of this machine: choose one of its adapters, or 0.0.0.0 for all.",
            \SOCKET_EACCES => "UDP port {$port} at {$address} is kept for the system: choose a port from 1024 on, or run with the right to use it.",
            default => "{$address}:{$port} cannot be listened at: ".socket_strerror($code).'.',
        });
    }
}
