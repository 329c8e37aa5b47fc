<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Lines that are sent to a desk. */
final readonly class DeskNews extends Message
{
    /**
     * @param string $desk id; '' before any
     * @param int $count lines of the run
     * @param int $sent of them
     * @param string $why it ended before its end
     * @param list<DeskWords> $said the last of them, the oldest first
     */
    public function __construct(
        public string $desk,
        public int $count,
        public int $sent,
        public bool $isRunning,
        public string $why,
        #[ListOf(DeskWords::class)]
        public array $said,
    ) {
    }

    public static function type(): string
    {
        return 'desk';
    }
}
