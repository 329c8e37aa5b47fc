<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

/** What is said over a live link. */
interface Conversation
{
    public function opened(Client $client): void;

    /** @param array<mixed> $message */
    public function heard(Client $client, array $message): void;

    /** Called 30 times a second as long as the client is there and has taken all that it was sent. */
    public function ready(Client $client): void;

    public function closed(Client $client): void;
}
