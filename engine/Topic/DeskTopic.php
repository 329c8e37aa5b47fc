<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\DeskNews;
use NimbleJunction\Engine\Said\DeskWords;

/** Lines that are sent to a desk, and what comes back. */
final readonly class DeskTopic implements Topic
{
    private const SHOWN = 60;

    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'desk';
    }

    public static function says(): array
    {
        return [DeskNews::class];
    }

    public function everyNanos(): int
    {
        return 200_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $run = $this->junction->programme->deskRun;
        if ($view->isNew('desk', "{$run->desk} {$run->count} {$run->sent}")) {
            $said = array_map(
                static fn(array $one): DeskWords => new DeskWords($one[0], $one[1]),
                \array_slice($run->said, -self::SHOWN),
            );
            $client->tell(new DeskNews($run->desk, \count($run->lines), $run->sent, $run->isRunning, $run->why, $said));
        }
    }
}
