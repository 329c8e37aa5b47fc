<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Hop as TraceHop;
use NimbleJunction\Core\Trace\Names;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\Hop;
use NimbleJunction\Engine\Said\Relax;
use NimbleJunction\Engine\Said\TraceEvent;
use NimbleJunction\Engine\Said\TraceNews;

/** What has happened, step by step: words are made here, of facts. */
final readonly class TraceTopic implements Topic
{
    private const MOST_EVENTS = 200;

    /** Bytes of a packet that a hop shows. */
    private const MOST_BYTES = 160;

    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'trace';
    }

    public static function says(): array
    {
        return [TraceNews::class];
    }

    public function everyNanos(): int
    {
        return 100_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $events = $this->junction->trace->since($view->number('trace'), self::MOST_EVENTS);
        if ($events === []) {
            return;
        }
        $names = $this->junction->names();
        $revision = $this->junction->trace->revision();
        $view->count('trace', $revision);
        $client->tell(
            new TraceNews(
                Engine::millis($now),
                $revision,
                array_map(static fn(Event $event): TraceEvent => self::event($event, $names), $events),
            ),
        );
    }

    private static function event(Event $event, Names $names): TraceEvent
    {
        return new TraceEvent(
            $event->serial,
            $event->kind->value,
            $event->portId,
            $event->title($names),
            $event->count,
            Engine::millis($event->at),
            array_map(static fn(TraceHop $hop): Hop => new Hop(
                $hop->step($names)->value,
                $hop->words($names),
                bin2hex(substr($hop->bytes, 0, self::MOST_BYTES)),
                \strlen($hop->bytes),
                $hop->routeId($names),
                self::relax($hop),
            ), $event->hops),
        );
    }

    private static function relax(TraceHop $hop): ?Relax
    {
        $near = $hop->near();

        return $near === null ? null : new Relax($near->part, $near->relax);
    }
}
