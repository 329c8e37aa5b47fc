<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** Part of a universe that is carried to another place, there or in another universe. */
final readonly class CopyEntry
{
    /**
     * @param int $first slot that it begins with, 1 to 512
     * @param int $count slots that it has
     * @param int $at slot that its first one goes to, 1 to 512
     * @param int $repeat how often it is laid down, end to end
     * @param int $limit last slot that it may reach, 1 to 512
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $enabled,
        public string $from,
        public int $first,
        public int $count,
        public string $to,
        public int $at,
        public int $repeat,
        public int $limit,
    ) {
    }
}
