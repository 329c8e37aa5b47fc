<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Something that says on the network that it is there. */
final readonly class Neighbour extends Said
{
    /**
     * @param list<int> $gives
     * @param list<int> $takes
     */
    public function __construct(
        public string $key,
        public string $protocol,
        public string $name,
        public string $address,
        public string $details,
        #[ListOf('int')]
        public array $gives,
        #[ListOf('int')]
        public array $takes,
        public bool $lost,
        public float $heardAt,
    ) {
    }
}
