<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\PointNews;

/** A point's value, whenever it is another one; what is not there has none. */
final readonly class PointsTopic implements Topic
{
    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'points';
    }

    public static function says(): array
    {
        return [PointNews::class];
    }

    public function everyNanos(): int
    {
        return 40_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return Reference::parse($subject) !== null;
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $reference = Reference::parse($subject);
        $value = $reference === null ? null : $this->junction->points()->read($reference);
        if ($view->isNew("point {$subject}", json_encode($value, \JSON_THROW_ON_ERROR))) {
            $client->tell(new PointNews($subject, $value));
        }
    }
}
