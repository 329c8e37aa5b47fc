<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Signal\Protocol;

/** What a port receives with; each protocol has a class of its own, with the fields that only it has. */
abstract readonly class ReceiveSide implements Part
{
    /**
     * @param string $address our own address to listen at, or the name of an adapter; 0.0.0.0 for all
     * @param int $port 0 where the link has none
     * @param list<WireUniverse> $feeds universes on the wire and where they go; none for a protocol of messages
     */
    public function __construct(public bool $enabled, public string $address, public int $port, public array $feeds)
    {
    }

    public static function label(): string
    {
        return 'Receive side';
    }

    /** @return list<string> multicast groups to join */
    public function groups(): array
    {
        return [];
    }

    /** Priority of sources whose format has none; null where each says its own. */
    public function priority(): ?int
    {
        return 100;
    }

    /** Whether its sources lead only where no others are. */
    public function isLastResort(): bool
    {
        return false;
    }

    /** Seconds of silence after which a source is lost; null where nothing is lost by silence. */
    public function timeOut(): ?float
    {
        return null;
    }

    /** @return array<string, int> priorities of single senders, by IPv4 address */
    public function prioritiesOfSenders(): array
    {
        return [];
    }

    /** @return list<string> addresses that are asked who is there; a broadcast address asks a whole network */
    public function polled(): array
    {
        return [];
    }

    protected static function enabledField(): Field
    {
        return Field::flag('enabled', 'Receiving on', true);
    }

    protected static function addressField(): Field
    {
        return Field::ourAddress('address', 'Our address or adapter')->meaning(
            'Our own address to listen at, or the name of a network adapter; 0.0.0.0 for all.',
        );
    }

    protected static function lastResortField(): Field
    {
        return Field::flag('lastResort', 'Last resort: leads only when every other source is gone', false)
            ->meaning('Its sources lead only where no others are, whatever their priority.');
    }

    protected static function timeOutField(Protocol $protocol): Field
    {
        return Field::number('timeOut', 'Time-out (s)', 0.5, 120.0, $protocol->sourceLossNanos() / 1e9)->meaning(
            'A source that is silent for so long is lost, and leaves the merge. Longer than the pauses that its sender makes; shorter, and lamps follow a loss sooner.',
        );
    }

    protected static function priorityField(): Field
    {
        return Field::whole('priority', 'Priority of its sources, 0 to 200', 0, 200, 100)->meaning('Highest wins.');
    }

    protected static function feedsField(): Field
    {
        return Field::objects('feeds', 'Universes it feeds', WireUniverse::class, 1024);
    }
}
