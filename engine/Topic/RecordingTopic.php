<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Live\Recording\RecordedPoint;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\ArmedPoint;
use NimbleJunction\Engine\Said\RecordingNews;

/** How the recording of a take stands. */
final readonly class RecordingTopic implements Topic
{
    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'recording';
    }

    public static function says(): array
    {
        return [RecordingNews::class];
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
        $recorder = $this->junction->programme->recorder;
        $armed = static fn(RecordedPoint $one): ArmedPoint => new ArmedPoint(
            $one->reference->text(),
            $one->point->name,
            $one->open !== null,
        );
        $news = new RecordingNews(
            Engine::millis($now),
            $recorder->state,
            $recorder->plan->timeline ?? '',
            Engine::millis($recorder->startsAt),
            array_values(array_map($armed, $recorder->points)),
            \count($recorder->passes),
            $recorder->why,
        );
        $seen = json_encode(
            [$news->state, $news->timeline, $news->points, $news->passes, $news->why, $recorder->startsAt],
            \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE,
        );
        if ($view->isNew('recording', $seen)) {
            $client->tell($news);
        }
    }
}
