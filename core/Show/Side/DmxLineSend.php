<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Show\CarriedUniverse;

/** A DMX line is fed. */
final readonly class DmxLineSend extends SendSide
{
    /**
     * @param list<CarriedUniverse> $carries
     * @param list<string> $to
     */
    public function __construct(
        bool $enabled,
        array $carries,
        int $perSecond,
        ?int $lines,
        string $address = '0.0.0.0',
        array $to = [],
        int $port = 0,
    ) {
        parent::__construct($enabled, $address, $to, $port, $carries, $perSecond, $lines);
    }

    public static function fields(): array
    {
        return [
            self::toField()->only('link/kind', 'udp'),
            Field::whole('port', 'Its receive port (UDP)', 1, 65535)->offering(5120)->only('link/kind', 'udp'),
            self::enabledField(),
            self::addressField()->only('link/kind', 'udp'),
            self::perSecondField(),
            self::linesField(),
            self::carriesField(),
        ];
    }
}
