<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

/** From levels to the bytes of one protocol. */
interface FrameSender
{
    /**
     * @param string $levels 512 bytes
     * @param int $sequence 0, 1, 2 … without end; each format brings it into its own range
     */
    public function send(string $levels, int $sequence): string;
}
