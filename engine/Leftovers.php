<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** Looking for what holds itself alive takes longer the larger the show is, so it waits until something may have been left. */
final class Leftovers
{
    /** Bytes more in use than after the last tidying. */
    private const LEFT_LYING = 4 * 1024 * 1024;

    private int $tidied = 0;

    /** What is in use now is there for good. */
    public function look(): void
    {
        $this->tidied = memory_get_usage();
    }

    public function tidy(): void
    {
        if (memory_get_usage() < $this->tidied + self::LEFT_LYING) {
            return;
        }
        gc_collect_cycles();
        $this->look();
    }
}
