<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Events of the trace as a file. */
final readonly class TraceFile extends Said
{
    /**
     * @param string $content in Base64
     * @param int $missing so many of those that were asked for have fallen out of the trace
     */
    public function __construct(
        public string $name,
        public string $content,
        public int $events,
        public int $missing,
    ) {
    }
}
