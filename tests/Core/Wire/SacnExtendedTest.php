<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Discovery;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\Core\Wire\Sacn\Synchronization;
use NimbleJunction\Core\Wire\Sacn\Unhandled;
use PHPUnit\Framework\TestCase;

/** ANSI E1.31-2018, tables 4-2 and 4-3, clauses 6.3, 6.4 and 8 (from memory). */
final class SacnExtendedTest extends TestCase
{
    private const CID = 'CID-of-a-source.';

    /** Table 4-2: 49 bytes; root vector 8, framing vector 1, lengths 33 and 11. */
    public function testSynchronization(): void
    {
        $bytes = (new Synchronization(self::CID, 7962, 200))->encode();
        self::assertSame(
            '001000004153432d45312e3137000000'.'7021'.'00000008'.bin2hex(self::CID).'700b'.'00000001'.'c8'.'1f1a'.'0000',
            bin2hex($bytes),
        );
        self::assertEquals(new Synchronization(self::CID, 7962, 200), Packet::decode($bytes));
        foreach ([[substr($bytes, 0, 48), 16], [substr_replace($bytes, "\0\0", 45, 2), 45], ["{$bytes}\0", 16]] as [$broken, $offset]) {
            try {
                Packet::decode($broken);
                self::fail('it was taken');
            } catch (Malformed $malformed) {
                self::assertSame($offset, $malformed->offset);
            }
        }
    }

    /** Table 4-3: framing vector 2, source name, then the list of universes in rising order. */
    public function testDiscovery(): void
    {
        $bytes = (new Discovery(self::CID, 'Guest desk', [1, 7, 63999]))->encode();
        self::assertSame(126, \strlen($bytes));
        self::assertSame('706e', bin2hex(substr($bytes, 16, 2)));
        self::assertSame('7058'.'00000002', bin2hex(substr($bytes, 38, 6)));
        self::assertSame('700e'.'00000001'.'0000'.'00010007f9ff', bin2hex(substr($bytes, 112)));
        self::assertEquals(new Discovery(self::CID, 'Guest desk', [1, 7, 63999]), Packet::decode($bytes));
    }

    /** Clause 8: 512 universes a page, sorted. */
    public function testDiscoveryHasPages(): void
    {
        $pages = Discovery::pages(self::CID, 'Many', [...range(1200, 1), 5, 5]);
        self::assertSame([512, 512, 176], array_map(static fn(Discovery $page): int => \count($page->universes), $pages));
        self::assertSame(
            [[0, 2], [1, 2], [2, 2]],
            array_map(static fn(Discovery $page): array => [$page->page, $page->lastPage], $pages),
        );
        self::assertSame([1, 1200], [$pages[0]->universes[0], $pages[2]->universes[175]]);
        $again = array_map(static fn(Discovery $page) => Packet::decode($page->encode()), $pages);
        self::assertEquals($pages, $again);
        self::assertCount(1, Discovery::pages(self::CID, 'Nothing yet', []));
    }

    public function testDiscoveryOutOfOrderIsRefused(): void
    {
        $bytes = (new Discovery(self::CID, 'Guest desk', [1, 7]))->encode();
        foreach ([
            [substr_replace($bytes, "\0\1", 122, 2), 122, 'sorted'],
            [substr_replace($bytes, "\1", 118, 1), 118, 'Page is 1'],
            [substr_replace($bytes, "\2", 117, 1), 114, 'vector is not 1'],
        ] as [$broken, $offset, $words]) {
            try {
                Packet::decode($broken);
                self::fail('it was taken');
            } catch (Malformed $malformed) {
                self::assertSame($offset, $malformed->offset);
                self::assertStringContainsString($words, $malformed->reason);
            }
        }
    }

    public function testPerSlotPriorityPreviewAndTermination(): void
    {
        $data = Packet::decode(
            (new Data(
                self::CID,
                1,
                "\x64\x00\xC8",
                1,
                100,
                'Guest',
                Data::PREVIEW | Data::FORCE_SYNCHRONISATION,
                5,
                Data::PER_SLOT_PRIORITY,
            ))->encode(),
        );
        self::assertInstanceOf(Data::class, $data);
        self::assertTrue($data->carriesPriorities());
        self::assertSame([100, 0, 200], array_map(\ord(...), str_split($data->levels)));
        self::assertSame(5, $data->synchronisation);
        self::assertSame(
            'universe 1 from "Guest", priority 100, preview, force synchronization, per-slot priorities',
            $data->spelled(),
        );
    }

    public function testWhatTheStandardDoesNotNameIsHeardAndLeft(): void
    {
        $bytes = substr_replace((new Synchronization(self::CID, 1))->encode(), "\x09", 43, 1);
        self::assertEquals(new Unhandled(self::CID, 9), Packet::decode($bytes));
    }
}
