<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\PortReport;
use NimbleJunction\Engine\Said\Finds;

/** What is out there. */
final readonly class FindsTopic implements Topic
{
    public function __construct(private PortReport $ports)
    {
    }

    public static function name(): string
    {
        return 'finds';
    }

    public static function says(): array
    {
        return [Finds::class];
    }

    public function everyNanos(): int
    {
        return 500_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $finds = $this->ports->finds($now);
        if ($view->isNew('finds', json_encode($finds, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE))) {
            $client->tell($finds);
        }
    }
}
