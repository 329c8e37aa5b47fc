<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Frames that no port asks for. */
final readonly class Stray extends Said
{
    /**
     * @param list<string> $ports ids of ports that listen where they arrive
     */
    public function __construct(
        #[ListOf('string')]
        public array $ports,
        public string $protocol,
        public int $number,
        public string $name,
        public string $from,
        public int $count,
    ) {
    }
}
