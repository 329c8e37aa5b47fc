<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\ArtNet\Sync;

final readonly class ArtNetReceiver implements Receiver
{
    /** @param list<string> $pollReplies what we answer when asked who is there */
    public function __construct(private array $pollReplies)
    {
    }

    public function receive(string $bytes, string $from): array
    {
        $packet = Packet::decode($bytes);
        if ($packet instanceof Dmx) {
            return [new Frame(
                Protocol::ArtNet,
                $packet->portAddress,
                $packet->levels,
                $from,
                sequence: $packet->sequence === 0 ? null : $packet->sequence,
            )];
        }

        return [match (true) {
            $packet instanceof Poll => new Remark('a poll: who is there?', $this->pollReplies),
            $packet instanceof PollReply => new Remark("a poll reply: {$packet->shortName} is there"),
            $packet instanceof Sync => new Remark('a synchronisation packet'),
            default => new Remark("a packet that we leave alone ({$packet->code->name})"),
        }];
    }
}
