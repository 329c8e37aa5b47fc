<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Codec\MessageWriter;

/** The way out for the messages of one port. */
final readonly class MessageExit
{
    /**
     * @param list<Destination> $destinations
     * @param Destination|null $reply also to whoever spoke to the port last, at this target's port number
     */
    public function __construct(public MessageWriter $writer, public array $destinations, public ?Destination $reply = null)
    {
    }

    /**
     * @param string $lastSender IPv4 of whoever spoke last; '' for nobody yet
     *
     * @return list<Destination>
     */
    public function destinations(string $lastSender): array
    {
        if ($this->reply === null || $lastSender === '') {
            return $this->destinations;
        }
        $reply = new Destination($this->reply->via, $lastSender, $this->reply->port);

        return \in_array($reply, $this->destinations, false) ? $this->destinations : [...$this->destinations, $reply];
    }
}
