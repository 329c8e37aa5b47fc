<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

/** From levels to the bytes of one protocol. */
interface FrameSender
{
    /**
     * @param string $levels 512 bytes
     * @param int $sequence 0, 1, 2 … without end; each format brings it into its own range
     */
    public function send(string $levels, int $sequence): string;

    /** What is sent about once a second beside the levels, in the same numbering; null for nothing. */
    public function beside(int $sequence): ?string;

    /**
     * What says that no more will come.
     *
     * @param string $levels 512 bytes: the last ones
     *
     * @return list<string> nothing where the format has no words for it
     */
    public function end(string $levels, int $sequence): array;
}
