<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Scope\Subject;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\ScopeNews;

/** A value over time: the points that are new, and what they show. */
final readonly class ScopeTopic implements Topic
{
    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'scope';
    }

    public static function says(): array
    {
        return [ScopeNews::class];
    }

    public function everyNanos(): int
    {
        return 66_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return Subject::parse($subject) !== null;
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $parsed = Subject::parse($subject);
        $probe = $parsed === null ? null : $this->junction->probes->watch($parsed, $now);
        if ($probe === null) {
            return;
        }
        $since = $view->number("scope:{$subject}");
        $analysis = $probe->analysis($now);
        $client->tell(new ScopeNews(
            $probe->subject->key(),
            $since,
            $probe->next(),
            Engine::millis($now),
            array_map(
                static fn(array $point): array => [Engine::millis($point[0]), $point[1]],
                array_values($probe->since($since)),
            ),
            $analysis->words,
            round($analysis->changes, 2),
            round($analysis->arrivals, 2),
            round($analysis->step, 3),
            round($analysis->jitterMillis, 1),
        ));
        $view->count("scope:{$subject}", $probe->next());
    }
}
