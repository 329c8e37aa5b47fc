<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net\Framing;

use NimbleJunction\Core\Wire\Malformed;

/** Parts one stream into packets, and makes packets fit for a stream. */
interface Framing
{
    /**
     * @return list<string> packets that are whole now
     *
     * @throws Malformed
     */
    public function push(string $bytes): array;

    public function wrap(string $packet): string;

    /** Whether reading can go on after something malformed. */
    public function recovers(): bool;
}
