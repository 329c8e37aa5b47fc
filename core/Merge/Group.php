<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/** Slots that the same contributors share. */
final readonly class Group
{
    /** @var string 512 bytes: 255 in its slots */
    public string $mask;

    /**
     * @param list<Contributor> $contributors
     * @param list<int> $slots 0 to 511
     */
    public function __construct(public array $contributors, array $slots)
    {
        $this->mask = Bytes::mask($slots);
    }
}
