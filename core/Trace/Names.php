<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

use NimbleJunction\Core\Signal\Message;

/** What the parts of the show are called now: facts become words by it when somebody reads them. */
interface Names
{
    public function port(string $id): string;

    public function universe(string $id): string;

    /** Slots from $first to $last, 1 to 512, as people say them. */
    public function run(string $universeId, int $first, int $last): string;

    /** @param string $reference of a point */
    public function point(string $reference): string;

    public function message(Message $message): string;

    /** Who has a slot, and why. $slot is 0 to 511. */
    public function explain(string $universeId, int $slot): string;

    /** @return array{route: string, words: string}|null the route that nearly took a message, and what differs */
    public function nearMiss(string $portId, Message $message): ?array;
}
