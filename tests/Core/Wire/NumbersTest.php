<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Codec\SacnSender;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;
use NimbleJunction\Core\Wire\DmxLine\Line;
use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\Sacn\Universe;
use PHPUnit\Framework\TestCase;

/** Numbers of the standards, from memory of the published documents. */
final class NumbersTest extends TestCase
{
    /** Art-Net 4, "Universe addressing": Net in bits 14–8, Sub-Net in 7–4, Universe in 3–0. */
    public function testPortAddressInAllItsSpellings(): void
    {
        self::assertSame(0, PortAddress::from(0, 0, 0)->number);
        self::assertSame(32767, PortAddress::from(127, 15, 15)->number);
        self::assertSame('18:3:4', PortAddress::of(0x1234)->spelled());
        for ($number = 0; $number <= PortAddress::HIGHEST; $number += 97) {
            $address = PortAddress::of($number);
            self::assertSame($number, PortAddress::from($address->net(), $address->subNet(), $address->universe())->number);
        }
        foreach (['18:3:4', '18.3.4', '4660', '0x1234', ' 18 3 4 '] as $spelled) {
            self::assertSame(0x1234, PortAddress::parse($spelled)->number, $spelled);
        }
        self::assertSame([0x34, 0x34], [PortAddress::parse('3:4')->number, PortAddress::of(0x1234)->subUni()]);
        self::assertSame(0, PortAddress::countedFromOne(1)->number, 'the first universe of a desk that counts from 1');
        foreach (['', 'one', '1:2:3:4', '0x', '-1', '99999', '128:0:0'] as $wrong) {
            try {
                PortAddress::parse($wrong);
                self::fail("\"{$wrong}\" was taken");
            } catch (OutOfRange $outside) {
                self::assertNotSame('', $outside->getMessage());
            }
        }
        $this->expectException(OutOfRange::class);
        $this->expectExceptionMessage('Art-Net Sub-Net 16 does not exist: use 0 to 15.');
        PortAddress::from(0, 16, 0);
    }

    /** ANSI E1.31-2018, table 9-10. */
    public function testMulticastGroups(): void
    {
        self::assertSame('239.255.0.1', Universe::multicastGroup(1));
        self::assertSame('239.255.1.0', Universe::multicastGroup(256));
        self::assertSame('239.255.249.255', Universe::multicastGroup(63999));
        $this->expectExceptionMessage('sACN universe 0 does not exist: use 1 to 63999.');
        Universe::multicastGroup(0);
    }

    /** ANSI E1.11: 44 µs a slot; 513 slots take 22.57 ms, so about 44 refreshes a second; at least 1204 µs. */
    public function testLineTimes(): void
    {
        self::assertSame(513 * 44 + 92 + 12, Line::refreshMicros(512));
        self::assertSame(44, (int) floor(1e6 / Line::refreshMicros(512)));
        self::assertSame(1204, Line::refreshMicros(1));
    }

    /** ANSI E1.31-2018, 6.7.2: a packet is dropped when its step from the last lies in (−20, 0]. */
    public function testSequenceWindow(): void
    {
        for ($last = 0; $last < 256; ++$last) {
            foreach ([
                [1, true],
                [127, true],
                [0, false],
                [-1, false],
                [-19, false],
                [-20, true],
                [-128, true],
            ] as [$step, $follows]) {
                self::assertSame($follows, Protocol::Sacn->sequenceFollows($last, ($last + $step) & 255), "{$last} then {$step}");
            }
        }
        self::assertTrue(Protocol::ArtNet->sequenceFollows(7, 7), 'Art-Net: a number that stays is let through');
        self::assertFalse(Protocol::ArtNet->sequenceFollows(7, 6));
    }

    public function testAnOddNumberOfSlotsIsSentWithOneMore(): void
    {
        self::assertSame(18 + 4, \strlen((new Dmx(1, 'abc'))->encode()));
    }

    public function testTheSequenceGoesRound(): void
    {
        $sender = new SacnSender(str_repeat('c', 16), 1, 100, 'x');
        self::assertSame(
            [254, 255, 0, 1],
            array_map(static fn(int $i): int => \ord($sender->send(str_repeat("\0", 512), $i)[111]), [254, 255, 256, 257]),
        );
    }
}
