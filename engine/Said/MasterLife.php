<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Where a master stands. */
final readonly class MasterLife extends Said
{
    /**
     * @param float $level 0 to 100: what it was set to
     * @param float $share 0 to 1: what it leaves of a light
     * @param float|null $to where it goes; null where it stands
     */
    public function __construct(
        public string $id,
        public float $level,
        public float $share,
        public ?float $to,
        public bool $flashes,
        public bool $isAlone,
    ) {
    }
}
