<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Port\OutgoingPacket;

/**
 * One way of reaching other ends. It hands over whole packets: what parts a
 * stream into packets lives as long as the stream, not as long as a plan.
 */
interface Transport
{
    /**
     * Opens what is new, closes what is gone, leaves alone what stays, and tries again what failed.
     *
     * @param array<string, Endpoint> $endpoints those of its kind, by key
     *
     * @return array<string, string> why some cannot be used, by key
     */
    public function adopt(array $endpoints): array;

    /** @return string what went wrong, or '' */
    public function send(OutgoingPacket $packet): string;

    /** @return array<string, list<string>> who is connected now, by key; only where there are connections */
    public function connected(): array;

    public function close(): void;
}
