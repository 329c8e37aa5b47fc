<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Codec\MessageWriter;

/** The way out for the messages of one port. */
final readonly class MessageOutlet
{
    /**
     * @param list<Target> $targets
     * @param Target|null $reply also to whoever spoke to the port last, at this target's port number
     */
    public function __construct(public MessageWriter $writer, public array $targets, public ?Target $reply = null)
    {
    }

    /**
     * @param string $lastSender IPv4 of whoever spoke last; '' for nobody yet
     *
     * @return list<Target>
     */
    public function targets(string $lastSender): array
    {
        if ($this->reply === null || $lastSender === '') {
            return $this->targets;
        }
        $reply = new Target($this->reply->via, $lastSender, $this->reply->port);

        return \in_array($reply, $this->targets, false) ? $this->targets : [...$this->targets, $reply];
    }
}
