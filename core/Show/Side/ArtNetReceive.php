<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Show\SenderPriority;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\Packet;

/** Art-Net comes in. */
final readonly class ArtNetReceive extends ReceiveSide
{
    /**
     * @param list<WireUniverse> $feeds
     * @param list<SenderPriority> $priorities of single senders
     * @param list<string> $poll addresses that are asked who is there; a broadcast address asks a whole network
     */
    public function __construct(
        bool $enabled,
        string $address,
        int $port,
        array $feeds,
        private int $priority,
        private array $priorities,
        private bool $lastResort,
        private float $timeOut,
        private array $poll,
    ) {
        parent::__construct($enabled, $address, $port, $feeds);
    }

    public static function fields(): array
    {
        return [
            self::addressField(),
            Field::whole('port', 'Our receive port (UDP)', 1, 65535, Packet::UDP_PORT),
            self::enabledField(),
            Field::addresses(
                'poll',
                'Ask who is there at these addresses (polls)',
                16,
            )->meaning('Addresses that are asked who is there, broadcast addresses too.'),
            self::priorityField(),
            Field::objects('priorities', 'Priority of single senders', SenderPriority::class, 64),
            self::lastResortField(),
            self::timeOutField(Protocol::ArtNet),
            self::feedsField(),
        ];
    }

    public function priority(): int
    {
        return $this->priority;
    }

    public function timeOut(): float
    {
        return $this->timeOut;
    }

    public function isLastResort(): bool
    {
        return $this->lastResort;
    }

    public function prioritiesOfSenders(): array
    {
        return array_column($this->priorities, 'priority', 'from');
    }

    public function polled(): array
    {
        return $this->poll;
    }
}
