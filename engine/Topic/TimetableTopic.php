<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\OccasionLife;
use NimbleJunction\Engine\Said\TimetableNews;

/** What the timetable does next. */
final readonly class TimetableTopic implements Topic
{
    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'timetable';
    }

    public static function says(): array
    {
        return [TimetableNews::class];
    }

    public function everyNanos(): int
    {
        return 250_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $live = $this->junction->programme->timetable;
        $occasions = $this->junction->plan()->timetable->occasions;
        $comes = array_column($live->coming(), 0);
        $rest = array_values(array_diff(array_map(strval(...), array_keys($occasions)), $comes));
        $lives = [];
        foreach ([...$comes, ...$rest] as $id) {
            $lives[] = new OccasionLife($id, $occasions[$id]->words(), $live->isOn($id), $live->nextOf($id), $live->lastOf($id));
        }
        // The page's own clock goes on: only what is otherwise is told.
        if ($view->isNew(
            'timetable',
            json_encode(
                [$lives, $live->zone()->getName(), $live->knowsTime()],
                \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE,
            ),
        )) {
            $client->tell(new TimetableNews(
                $live->knowsTime() ? (float) $live->unix($now) : null,
                $live->zone()->getName(),
                $lives,
            ));
        }
    }
}
