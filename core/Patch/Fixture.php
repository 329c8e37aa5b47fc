<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** Something that listens to a run of slots, beginning at its address. */
final readonly class Fixture
{
    /** @param int $first 1 to 512 */
    public function __construct(public string $id, public string $name, public string $profileId, public string $universeId, public int $first)
    {
    }
}
