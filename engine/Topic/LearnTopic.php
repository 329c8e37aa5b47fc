<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Learn\FromPort;
use NimbleJunction\Engine\Learn\FromTouch;
use NimbleJunction\Engine\Learn\FromUniverse;
use NimbleJunction\Engine\Learn\Source;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\LearnCandidate;
use NimbleJunction\Engine\Said\LearnNews;

/** What moves while somebody learns; its subject is a port, "slot:" and a universe, or what people touch. */
final readonly class LearnTopic implements Topic
{
    private const SHOWN = 24;

    /** A subject that begins so is a universe: its slots are learned. */
    private const SLOTS = 'slot:';

    /** Points are learned, by touching them. */
    private const TOUCH = 'touch:';

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
        return Topics::mayBeAnId($subject);
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        [$source, $of] = $this->source($subject);
        $all = $source->candidates($of, $now);
        $lines = array_map(static fn(\Closure $line): LearnCandidate => $line(), \array_slice($all, 0, self::SHOWN));
        if ($view->isNew("learn:{$subject}", json_encode($lines, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE))) {
            $client->tell(new LearnNews($subject, Engine::millis($now), $lines, max(0, \count($all) - self::SHOWN)));
        }
    }

    /** @return array{Source, string} with what it is of there */
    private function source(string $subject): array
    {
        return match (true) {
            $subject === self::TOUCH => [new FromTouch($this->junction), ''],
            str_starts_with($subject, self::SLOTS) => [new FromUniverse($this->junction), substr($subject, \strlen(self::SLOTS))],
            default => [new FromPort($this->junction), $subject],
        };
    }
}
