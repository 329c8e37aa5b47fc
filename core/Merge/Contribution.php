<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/** What one owner of ours (a route, a copy) gives a universe: levels for some of its slots, until it ends. */
final class Contribution
{
    /** @var list<int>|null */
    private ?array $slots = null;

    /**
     * @param string $owner the same as long as it is the same owner
     * @param string $name for people
     * @param string $levels 512 bytes; 0 in slots that it does not give
     * @param string $mask 512 bytes: 255 in the slots that it gives; of a wide parameter all slots or none
     * @param bool $isSet whether it is set by acts, as a route is by messages: of those the last act has a slot, whatever the rule
     */
    public function __construct(
        public readonly string $owner,
        public string $name,
        public string $levels,
        public readonly string $mask,
        public readonly bool $isSet = false,
    ) {
    }

    /** @return list<int> the slots that it gives, 0 to 511 */
    public function slots(): array
    {
        return $this->slots ??= Bytes::slots($this->mask);
    }
}
