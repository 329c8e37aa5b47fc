<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;

/** What leaves a universe, as a picture of 512 bytes. */
final readonly class LevelsTopic implements Topic
{
    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'levels';
    }

    public static function says(): array
    {
        return [];
    }

    public function everyNanos(): int
    {
        return 0;
    }

    public function isSubject(string $subject): bool
    {
        return Topics::mayBeAnId($subject);
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $universe = $this->junction->universes()[$subject] ?? null;
        if ($universe !== null && $view->isNew("levels {$subject}", $universe->levels)) {
            $client->show(Picture::of(Picture::LEVELS, $subject, $universe->levels));
        }
    }
}
