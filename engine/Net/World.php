<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/** What transports tell the engine. */
final readonly class World
{
    /**
     * @param \Closure(string, string, int, string): void $arrived endpoint key, sender's address, sender's port, one whole packet
     * @param \Closure(): void $drained called after each look at what may have brought packets
     * @param \Closure(string, string): void $fault endpoint key and what is wrong now; '' when nothing is any more
     * @param \Closure(string): void $joined endpoint key where somebody has just connected
     * @param \Closure(string, int): void $leftOut endpoint key, and how many datagrams had no place in their senders' shares
     * @param Descriptors $descriptors how many files and sockets there are
     * @param Reach $reach what may be opened at all
     */
    public function __construct(
        public \Closure $arrived,
        public \Closure $drained,
        public \Closure $fault,
        public \Closure $joined,
        public \Closure $leftOut,
        public Descriptors $descriptors,
        public Reach $reach = new Reach(),
    ) {
    }
}
