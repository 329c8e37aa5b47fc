<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/** Something on the network says that it is there, and which universes it gives or takes. */
final readonly class Sighting
{
    /**
     * @param string $key the same as long as it is the same device
     * @param list<int> $gives universes that it sends, as the wire numbers them
     * @param list<int> $takes universes that it listens to
     * @param string $details what else it says of itself, in words
     */
    public function __construct(
        public Protocol $protocol,
        public string $key,
        public string $address,
        public string $name,
        public array $gives,
        public array $takes,
        public string $details = '',
    ) {
    }
}
