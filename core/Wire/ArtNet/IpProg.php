<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * OpIpProg, 0xF800: sets a node's own network address.
 *
 * Source: Art-Net 4 protocol document, "ArtIpProg" (from memory).
 */
final readonly class IpProg
{
    public const PROGRAMME = 0x80;
    public const DHCP = 0x40;
    public const GATEWAY = 0x10;
    public const RESET = 0x08;
    public const ADDRESS = 0x04;
    public const SUBNET_MASK = 0x02;
    public const PORT = 0x01;

    public function __construct(
        public int $command,
        public string $address,
        public string $subnetMask,
        public int $port,
        public string $gateway,
    ) {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);

        return new self(
            $values->int('Command'),
            $values->text('ProgIp'),
            $values->text('ProgSm'),
            $values->int('ProgPort'),
            $values->text('ProgDg'),
        );
    }

    public function encode(): string
    {
        return self::layout()->write(
            [
                'Command' => $this->command,
                'ProgIp' => $this->address,
                'ProgSm' => $this->subnetMask,
                'ProgPort' => $this->port,
                'ProgDg' => $this->gateway,
            ],
        );
    }

    public static function layout(): Layout
    {
        return Header::layout(
            'ArtIpProg',
            OpCode::IpProg,
            26,
            Field::bytes('Filler1-2', 2),
            Field::number('Command', 1)->meaning(self::spell(...)),
            Field::number('Filler4', 1),
            Field::address('ProgIp'),
            Field::address('ProgSm'),
            Field::number('ProgPort', 2, Packet::UDP_PORT),
            Field::address('ProgDg'),
            Field::bytes('Spare', 4),
        );
    }

    private static function spell(int $command): string
    {
        $names = [
            self::PROGRAMME => 'programming on',
            self::DHCP => 'DHCP',
            self::GATEWAY => 'gateway',
            self::RESET => 'back to default',
            self::ADDRESS => 'address',
            self::SUBNET_MASK => 'subnet mask',
            self::PORT => 'port',
        ];

        return implode(', ', array_filter($names, static fn(int $bit): bool => ($command & $bit) !== 0, \ARRAY_FILTER_USE_KEY));
    }
}
