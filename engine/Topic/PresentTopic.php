<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\People;
use NimbleJunction\Engine\Said\Present;

/** Who else has a page open, and where. */
final readonly class PresentTopic implements Topic
{
    public function __construct(private People $people)
    {
    }

    public static function name(): string
    {
        return 'present';
    }

    public static function says(): array
    {
        return [Present::class];
    }

    public function everyNanos(): int
    {
        return 300_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $present = new Present($this->people->beside($client));
        if ($view->isNew('present', json_encode($present, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE))) {
            $client->tell($present);
        }
    }
}
