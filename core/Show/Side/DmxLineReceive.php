<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Signal\Protocol;

/** A DMX line is listened to. */
final readonly class DmxLineReceive extends ReceiveSide
{
    /** @param list<WireUniverse> $feeds */
    public function __construct(
        bool $enabled,
        array $feeds,
        private int $priority,
        private bool $lastResort,
        private float $timeOut,
        string $address = '0.0.0.0',
        int $port = 0,
    ) {
        parent::__construct($enabled, $address, $port, $feeds);
    }

    public static function fields(): array
    {
        return [
            self::addressField()->only('link/kind', 'udp'),
            Field::whole('port', 'Our receive port (UDP)', 1, 65535)->offering(5120)->only('link/kind', 'udp'),
            self::enabledField(),
            self::priorityField(),
            self::lastResortField(),
            self::timeOutField(Protocol::DmxLine),
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
}
