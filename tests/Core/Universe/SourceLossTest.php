<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Universe;

use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

final class SourceLossTest extends TestCase
{
    /** ANSI E1.31-2018, 6.7.1 and appendix A: E131_NETWORK_DATA_LOSS_TIMEOUT is 2.5 seconds. */
    public function testAnSacnSourceIsLostAfterTwoAndAHalfSeconds(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 10]);
        $rig->sacn([1 => 200]);
        $rig->pass(2.49);
        self::assertSame(200, $rig->level(1));
        $rig->artNet([1 => 10]);
        $rig->pass(0.02);
        self::assertSame(10, $rig->level(1));
        self::assertContains('Lost source for Palm House: Guest (127.0.0.12) was not heard for 2.5 s', $rig->titles());
    }

    /** Art-Net 4, merging: a source that is silent for 10 seconds leaves the merge (from memory). */
    public function testAnArtNetSourceIsLostAfterTenSeconds(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 200], '127.0.0.11');
        for ($i = 0; $i < 5; ++$i) {
            $rig->artNet([1 => 10], '127.0.0.21');
            $rig->pass(1.99);
        }
        self::assertSame(200, $rig->level(1));
        $rig->artNet([1 => 10], '127.0.0.21');
        $rig->pass(0.1);
        self::assertSame(10, $rig->level(1));
    }

    /** ANSI E1.31-2018, 6.2.6: Stream_Terminated ends a source at once; it is sent three times. */
    public function testATerminatedStreamIsLostAtOnceAndOnlyOnce(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 10]);
        $rig->sacn([1 => 200]);
        $rig->sacn([1 => 200], options: 0x40);
        self::assertSame(10, $rig->level(1));
        $rig->sacn([1 => 200], options: 0x40);
        $rig->sacn([1 => 200], options: 0x40);
        self::assertSame(10, $rig->level(1));
        self::assertCount(
            1,
            array_filter($rig->titles(), static fn(string $title): bool => str_contains($title, 'says that it has ended')),
        );
    }

    public function testWhenTheLastSourceGoesTheLevelsStayAndAreStillSent(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 200]);
        $rig->pass(10);
        self::assertSame(200, $rig->level(1));
        self::assertSame([], $rig->junction->universes()['palm']->sources());
        self::assertNotEmpty($rig->pass(2));
        $rig->osc('/lamp', 0.5);
        self::assertSame([200, 128], [$rig->level(1), $rig->level(5)], 'a route moves its own slot and no other');
        $rig->sacn([1 => 30]);
        self::assertSame(30, $rig->level(1), 'a source that returns has the universe again');
    }

    public function testPacketsOutOfOrderAreCountedAndDropped(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 10], sequence: 100);
        $rig->sacn([1 => 20], sequence: 99);
        $rig->sacn([1 => 30], sequence: 100);
        self::assertSame(10, $rig->level(1));
        $source = array_values($rig->junction->universes()['palm']->sources())[0];
        self::assertSame(2, $source->outOfOrder);
        $rig->sacn([1 => 40], sequence: 80);
        self::assertSame(40, $rig->level(1), 'twenty back means that the sender began anew');
        $rig->artNet([1 => 50], sequence: 9);
        $rig->artNet([1 => 60], sequence: 8);
        self::assertSame(50, $rig->level(1));
        $rig->artNet([1 => 70], sequence: 0);
        self::assertSame(70, $rig->level(1), 'Art-Net: 0 means that sequence numbers are not used');
    }
}
