<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\Message;

/** Something that a page can follow, as "name" or "name:subject". A new one is a class, named in Topics. */
interface Topic
{
    public static function name(): string;

    /** @return list<class-string<Message>> what it says, for the page's types */
    public static function says(): array;

    /** How often it is looked at, in nanoseconds; 0 for as often as a page takes pictures. */
    public function everyNanos(): int;

    /** Whether it can be followed for this; '' for a topic that has no subjects. */
    public function isSubject(string $subject): bool;

    /** Tells the page what has changed since it was told last. */
    public function show(Client $client, PageView $view, string $subject, int $now): void;
}
