<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What has happened since this page was told last. */
final readonly class TraceNews extends Message
{
    /**
     * @param list<TraceEvent> $events
     */
    public function __construct(
        public float $now,
        public int $revision,
        #[ListOf(TraceEvent::class)]
        public array $events,
    ) {
    }

    public static function type(): string
    {
        return 'trace';
    }
}
