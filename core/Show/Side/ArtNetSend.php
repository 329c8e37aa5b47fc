<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Show\CarriedUniverse;
use NimbleJunction\Core\Wire\ArtNet\Packet;

/** Art-Net goes out. */
final readonly class ArtNetSend extends SendSide
{
    /**
     * @param list<string> $to
     * @param list<CarriedUniverse> $carries
     * @param bool $sync a synchronisation packet follows the frames of one moment
     */
    public function __construct(
        bool $enabled,
        string $address,
        array $to,
        int $port,
        array $carries,
        int $perSecond,
        ?int $lines,
        bool $fullRate,
        public bool $sync,
    ) {
        parent::__construct($enabled, $address, $to, $port, $carries, $perSecond, $lines, $fullRate);
    }

    public static function fields(): array
    {
        return [
            self::toField(),
            Field::whole('port', 'Its receive port (UDP)', 1, 65535, Packet::UDP_PORT),
            self::enabledField(),
            self::addressField(),
            self::perSecondField(),
            self::linesField(),
            self::fullRateField(),
            Field::flag(
                'sync',
                'A synchronisation packet after the frames of one moment',
                false,
            )->meaning('A synchronisation packet follows the frames of one moment.'),
            self::carriesField(),
        ];
    }
}
