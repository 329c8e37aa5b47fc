<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/** Whatever gives a universe levels and takes part in its merging: a sender, or a layer of what is ours. */
abstract class Contributor
{
    /** @var string 512 bytes; 0 in slots that it does not give */
    public string $levels;

    /** @param string $key the same as long as it is the same contributor */
    public function __construct(public readonly string $key, public string $name)
    {
        $this->levels = Bytes::$none;
    }
}
