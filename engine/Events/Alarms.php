<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Events;

/** When a port in trouble is an alarm, and who is told besides all pages. */
final readonly class Alarms
{
    /**
     * @param int $seconds after so long in trouble; 0 for never
     * @param list<string> $command is started with alarms on its standard input; empty for none
     */
    public function __construct(public int $seconds = 0, public array $command = [])
    {
    }
}
