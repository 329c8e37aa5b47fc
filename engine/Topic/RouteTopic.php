<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\RouteNews;

/** How one route fares; its subject is the route. */
final readonly class RouteTopic implements Topic
{
    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'route';
    }

    public static function says(): array
    {
        return [RouteNews::class];
    }

    public function everyNanos(): int
    {
        return 250_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return Topics::mayBeAnId($subject);
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $firings = $this->junction->routes->firings;
        $near = $this->junction->routes->misses->nearly($now)[$subject] ?? null;
        $firedAt = $firings->at($subject);
        $news = new RouteNews(
            $subject,
            Engine::millis($now),
            $firedAt === null ? null : Engine::millis($firedAt),
            $firings->of($subject),
            $near === null ? null : MissesTopic::near($near, $this->junction->plan()->middleC),
            $this->junction->routes->showings->echoes($subject),
            $this->junction->routes->rounds->partner($subject, $now) ?? '',
        );
        if ($view->isNew(
            "route:{$subject}",
            json_encode(
                [$news->firedAt, $news->fired, $news->near, $news->echoes, $news->round],
                \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE,
            ),
        )) {
            $client->tell($news);
        }
    }
}
