<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Sacn;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * An sACN synchronization packet: show at once what arrived before with this
 * synchronization address.
 *
 * Source: ANSI E1.31-2018, table 4-2 and clause 6.3 (from memory).
 */
final readonly class Synchronization
{
    private const LENGTH = 49;

    /**
     * @param string $cid 16 bytes
     * @param int $address universe that is synchronized on, 1–63999
     */
    public function __construct(public string $cid, public int $address, public int $sequence = 0)
    {
    }

    /** @throws Malformed the root layer has been checked by Packet */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);
        Packet::checkLength($bytes, 38, self::LENGTH);
        if (\strlen($bytes) !== self::LENGTH) {
            throw Malformed::at(
                self::LENGTH,
                'a synchronization packet has '.self::LENGTH.' bytes, '.\strlen($bytes).' arrived',
                'ANSI E1.31-2018, table 4-2',
            );
        }
        $address = $values->int('Synchronization Address');
        if ($address < Universe::LOWEST || $address > Universe::HIGHEST) {
            throw Malformed::outside(
                'Synchronization address',
                $address,
                Universe::LOWEST,
                Universe::HIGHEST,
                45,
                'ANSI E1.31-2018, 6.3.3',
            );
        }

        return new self($values->text('CID'), $address, $values->int('Sequence Number'));
    }

    public function encode(): string
    {
        return self::layout()->write(
            ['CID' => $this->cid, 'Synchronization Address' => $this->address, 'Sequence Number' => $this->sequence],
        );
    }

    public static function layout(): Layout
    {
        return new Layout(
            'E1.31 Synchronization Packet',
            'ANSI E1.31-2018, table 4-2',
            self::LENGTH,
            ...Packet::root(33, 8),
            ...[
                Field::number('Framing Layer Flags and Length', 2, 0x700B),
                Field::number('Framing Layer Vector', 4, 1),
                Field::number('Sequence Number', 1),
                Field::number('Synchronization Address', 2, 1, Universe::HIGHEST),
                Field::number('Reserved', 2),
            ],
        );
    }
}
