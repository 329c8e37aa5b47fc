<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Scope\Candidate;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\LearnCandidate;
use NimbleJunction\Engine\Said\LearnNews;
use NimbleJunction\Engine\Said\Moved;

/** What moves at a port while somebody learns; its subject is the port. */
final readonly class LearnTopic implements Topic
{
    private const SHOWN = 12;

    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'learn';
    }

    public static function says(): array
    {
        return [LearnNews::class];
    }

    public function everyNanos(): int
    {
        return 150_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject !== '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $plan = $this->junction->plan();
        $candidates = isset($plan->ports[$subject]) ? $this->junction->probes()->learning->candidates($subject, $now) : [];
        $lines = array_map(static fn(Candidate $one): LearnCandidate => new LearnCandidate(
            $one->last->address(),
            $one->last->spelled($plan->middleC),
            $one->count,
            Engine::millis($one->at),
            array_map(
                static fn(array $moved, int $place): Moved => new Moved($place, $moved['low'], $moved['high']),
                $one->moved,
                array_keys($one->moved),
            ),
        ), \array_slice($candidates, 0, self::SHOWN));
        if ($view->isNew("learn:{$subject}", json_encode($lines, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE))) {
            $client->tell(new LearnNews($subject, Engine::millis($now), $lines, max(0, \count($candidates) - self::SHOWN)));
        }
    }
}
