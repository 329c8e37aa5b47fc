<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Live\Timeline\LiveTimecode;
use NimbleJunction\Core\Live\Timeline\LiveTimeline;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\TimecodeLife;
use NimbleJunction\Engine\Said\TimelineLife;
use NimbleJunction\Engine\Said\TimelinesNews;

/** Where timelines are, and what time code says. */
final readonly class TimelinesTopic implements Topic
{
    /** What follows time code is put right all the time: what nobody could see is not told. */
    private const LEAST_MILLIS = 10.0;

    /** How fast it goes is looked at over so much of its unit. */
    private const SOME = 0.01;

    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'timelines';
    }

    public static function says(): array
    {
        return [TimelinesNews::class];
    }

    public function everyNanos(): int
    {
        return 40_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $programme = $this->junction->programme;
        $news = new TimelinesNews(
            Engine::millis($now),
            array_values(array_map(
                static fn(LiveTimeline $live): TimelineLife => self::timeline($live, $now),
                $programme->timelines->live(),
            )),
            array_values(array_map(
                static fn(LiveTimecode $live): TimecodeLife => self::timecode($live, $now),
                $programme->timecodes->live(),
            )),
        );
        if ($view->isNew(
            'timelines',
            json_encode([$news->timelines, $news->timecodes], \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE),
        )) {
            $client->tell($news);
        }
    }

    private static function timeline(LiveTimeline $live, int $now): TimelineLife
    {
        $at = $live->pace->at($now);
        $millis = $live->pace->nanos($at, $at + self::SOME) / self::SOME / 1e6;
        $zero = $live->isPlaying ? round((Engine::millis($now) - $at * $millis) / self::LEAST_MILLIS) * self::LEAST_MILLIS : null;

        return new TimelineLife(
            $live->timeline->id,
            $live->isOn,
            $live->isPlaying,
            $live->isPlaying ? 0.0 : round($at, 4),
            $zero,
            round($millis, 3),
            $live->rate,
            $live->loops(),
            $live->round !== null,
            $live->section(),
        );
    }

    private static function timecode(LiveTimecode $live, int $now): TimecodeLife
    {
        return new TimecodeLife(
            $live->timecode->id,
            $live->spelled($now),
            $live->rate->spelled(),
            $live->leader,
            $live->isRunning,
            $live->isCarriedOn,
            $live->isOwn ? $live->ownSpeed : $live->speed,
        );
    }
}
