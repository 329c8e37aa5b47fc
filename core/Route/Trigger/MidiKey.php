<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

/** What MIDI triggers are found by: as much of the address as they name, without a gap. */
final class MidiKey
{
    public static function of(string $port, string $kind, ?int $channel, ?int $number = null): string
    {
        if ($channel === null) {
            return "{$port} {$kind}";
        }

        return "{$port} {$kind}/{$channel}".($number === null ? '' : "/{$number}");
    }

    public static function onChannel(?int $channel): string
    {
        return $channel === null ? '' : " on channel {$channel}";
    }
}
