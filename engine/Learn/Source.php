<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Learn;

use NimbleJunction\Engine\Said\LearnCandidate;

/** Where somebody learns from: a port, a universe, or what people touch. */
interface Source
{
    /**
     * @param string $of id of the port or the universe; '' where there is only one
     *
     * @return list<\Closure(): LearnCandidate> each in words when it is asked for, the one that is meant most likely first
     */
    public function candidates(string $of, int $now): array;
}
