<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Message\ArtNetCommand;
use NimbleJunction\Core\Message\ArtNetTrigger;
use NimbleJunction\Core\Message\TimeCode as TimeCodeMessage;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Signal\Sighting;
use NimbleJunction\Core\Signal\SyncPulse;
use NimbleJunction\Core\Wire\ArtNet\Command;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Nzs;
use NimbleJunction\Core\Wire\ArtNet\Packet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\ArtNet\Sync;
use NimbleJunction\Core\Wire\ArtNet\TimeCode;
use NimbleJunction\Core\Wire\ArtNet\Trigger;
use NimbleJunction\Core\Wire\ArtNet\Unhandled;
use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\TimeCode as Time;

final readonly class ArtNetReceiver implements Receiver
{
    /**
     * @param list<array{bytes: string, addresses: list<int>}> $pollReplies what we answer when asked who is there: pages, with the port-addresses that each names
     * @param string $mark what the reports of our own replies end with: we do not find ourselves
     */
    public function __construct(private array $pollReplies, private string $mark = '')
    {
    }

    public function receive(string $bytes, string $from): array
    {
        $packet = Packet::decode($bytes);
        if ($packet instanceof Dmx) {
            // In their places, not by name: naming arguments of a hot call costs as much as decoding the packet.
            return [
                new Frame(
                    Protocol::ArtNet,
                    $packet->portAddress,
                    $packet->levels,
                    $from,
                    '',
                    null,
                    $packet->sequence ?: null,
                    false,
                    false,
                    0,
                    $from,
                ),
            ];
        }

        return [match (true) {
            $packet instanceof Poll => $this->answer($packet),
            $packet instanceof PollReply => $this->sighting($packet),
            // Art-Net 4, "ArtSync": meant for whoever sends the frames (from memory)
            $packet instanceof Sync => new SyncPulse($from, 'a synchronisation packet'),
            $packet instanceof Nzs => new Remark("slots with start code {$packet->startCode}, which are no levels"),
            $packet instanceof TimeCode => self::timeCode($packet),
            $packet instanceof Trigger => new ArtNetTrigger($packet),
            $packet instanceof Command => new ArtNetCommand($packet),
            $packet instanceof Unhandled => new Remark("a packet that we leave alone ({$packet->code->spelled()})"),
            default => new Remark('a packet that sets up a node, which we leave alone'),
        }];
    }

    /**
     * Art-Net 4, "ArtPoll": the answer goes to the protocol's own port, whatever port asked; a targeted poll asks for
     * some port-addresses only.
     */
    private function answer(Poll $poll): Remark
    {
        $asked = array_filter($this->pollReplies, static function (array $page) use ($poll): bool {
            if (! $poll->isTargeted()) {
                return true;
            }
            foreach ($page['addresses'] as $address) {
                if ($poll->asks($address)) {
                    return true;
                }
            }

            return false;
        });

        return new Remark('a poll: who is there?', array_column($asked, 'bytes'), Packet::UDP_PORT, PollReply::ADDRESS_AT);
    }

    private static function timeCode(TimeCode $packet): Message|Remark
    {
        $rate = FrameRate::tryFrom($packet->type);
        try {
            $time = $rate === null ? null : Time::of($rate, $packet->hours, $packet->minutes, $packet->seconds, $packet->frames);
        } catch (OutOfRange) {
            $time = null;
        }

        return $time === null ? new Remark('a time code that is none') : new TimeCodeMessage(Protocol::ArtNet, $time, false);
    }

    private function sighting(PollReply $reply): Sighting|Remark
    {
        if ($this->mark !== '' && str_ends_with($reply->report, $this->mark)) {
            return new Remark('our own poll reply');
        }
        $gives = $takes = [];
        foreach ($reply->ports as $port) {
            // Seen from the node, what it takes from the network is its output to a line.
            $port->isOutput() ? $takes[] = $reply->portAddress($port)->number : $gives[] = $reply->portAddress($port)->number;
        }
        $bound = $reply->bindAddress === '0.0.0.0' ? $reply->address : $reply->bindAddress;

        return new Sighting(
            Protocol::ArtNet,
            "art-net {$bound}",
            $reply->address,
            $reply->longName !== '' ? $reply->longName : $reply->portName,
            $gives,
            $takes,
            implode('; ', array_filter([$reply->features(), $reply->report])),
        );
    }
}
