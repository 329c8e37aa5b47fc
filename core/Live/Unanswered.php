<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Signal\Message;

/** A message that came and did nothing: the last of its address at its port. */
final readonly class Unanswered
{
    /**
     * @param string $from who sent it
     * @param int $count how often within a minute
     * @param int $at when it came last, on the junction's clock
     */
    public function __construct(
        public string $portId,
        public Message $message,
        public string $from,
        public int $count,
        public int $at,
    ) {
    }
}
