<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Universe;

use NimbleJunction\Core\Merge\HtpMerger;
use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Who wins a slot: HTP, LTP, priority. The rules are common practice; priority is ANSI E1.31-2018, 6.2.3. */
final class MergeTest extends TestCase
{
    /** Against PHP's own max(), slot by slot, for every pair of levels and for random ones. */
    public function testHtpOverWordsIsTheHighestOfEachSlot(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 300; ++$round) {
            $sources = [];
            $expected = str_repeat("\0", 512);
            for ($i = 0; $i < 2 + $round % 3; ++$i) {
                $levels = '';
                for ($slot = 0; $slot < 512; ++$slot) {
                    $levels .= \chr(
                        $round < 256 && $i === 0 ? $round : ($round < 256 && $i === 1 ? $slot & 255 : mt_rand(0, 255)),
                    );
                }
                $sources[] = $source = new Source("s{$i}", 'p', Protocol::Sacn, 's', '', 100);
                $source->set($levels);
                for ($slot = 0; $slot < 512; ++$slot) {
                    $expected[$slot] = \chr(max(\ord($expected[$slot]), \ord($levels[$slot])));
                }
            }
            self::assertSame(bin2hex($expected), bin2hex((new HtpMerger())->merge($sources)));
        }
    }

    public function testHtp(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 100, 2 => 50]);
        $rig->sacn([1 => 60, 2 => 200]);
        self::assertSame([100, 200], [$rig->level(1), $rig->level(2)]);
        $universe = $rig->junction->universes()['palm'];
        self::assertSame("\x01\x02\x00", substr($universe->winners(), 0, 3));
        self::assertSame('Guest: highest of 2 (HTP), the next one sends 50.', $universe->explain(1));
    }

    public function testLtpAndWhoHadItBefore(): void
    {
        $rig = new Rig(['universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => 'ltp']]]);
        $rig->artNet([1 => 100, 2 => 100]);
        $rig->now += 0.1;
        $rig->sacn([1 => 50]);
        self::assertSame([50, 100], [$rig->level(1), $rig->level(2)], 'only what changed is taken over');
        $rig->now += 0.1;
        $rig->artNet([1 => 100, 2 => 90]);
        self::assertSame([50, 90], [$rig->level(1), $rig->level(2)], 'a slot that stays the same is not taken back');
        $rig->artNet([1 => 0, 2 => 90]);
        self::assertSame(0, $rig->level(1), 'down is a change too');
        $rig->now += 0.1;
        $rig->sacn([1 => 70]);
        self::assertSame(70, $rig->level(1));
        $rig->sacn([], options: 0x40);
        self::assertSame(0, $rig->level(1), 'when the latest goes, the one before has it again');
    }

    public function testTheHighestPriorityHasAllSlots(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 255]);
        $rig->sacn([1 => 10], 150);
        self::assertSame(10, $rig->level(1));
        self::assertSame('Guest: priority 150 is above 100.', $rig->junction->universes()['palm']->explain(0));
        $rig->sacn([1 => 10], 99);
        self::assertSame(255, $rig->level(1));
        self::assertContains(
            'Palm House is now led by House desk (priority 100); before by Guest (priority 150)',
            $rig->titles(),
        );
        $rig->sacn([1 => 10], 100);
        self::assertSame(255, $rig->level(1), 'level priorities are merged');
        $rig->sacn([1 => 10], 200);
        self::assertSame(10, $rig->level(1));
    }

    public function testAThirdSourceIsMergedAndReported(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 10], '127.0.0.11');
        $rig->artNet([1 => 20], '127.0.0.21');
        $rig->pass(1.1);
        $rig->artNet([1 => 30], '127.0.0.31');
        self::assertSame(30, $rig->level(1));
        self::assertStringContainsString('source number 3', implode("\n", $rig->allHops()));
        self::assertContains(
            'Palm House is now led by House desk (priority 100) and House desk at 127.0.0.21 (priority 100), merged HTP; before by House desk (priority 100)',
            $rig->titles(),
        );
    }

    public function testTwoHundredSourcesAreMergedAndAFloodOfThemIsBounded(): void
    {
        $rig = new Rig();
        for ($i = 1; $i <= 201; ++$i) {
            $rig->artNet([1 => $i], "127.0.1.{$i}");
        }
        self::assertSame(200, $rig->level(1));
        self::assertCount(200, $rig->junction->universes()['palm']->sources());
        self::assertStringContainsString('has 200 sources already', implode("\n", $rig->hops('refused')));
    }

    public function testPreviewAndOtherStartCodesAreNotMerged(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 255], startCode: 0xDD);
        $rig->sacn([1 => 255], startCode: 0x17);
        self::assertSame([], $rig->junction->universes()['palm']->sources(), 'neither makes a source');
        $rig->sacn([1 => 255], options: 0x80);
        self::assertSame(0, $rig->level(1));
        self::assertSame([], $rig->junction->universes()['palm']->control()->leading);
    }

    public function testHoldsAreAboveAllAndEndByThemselves(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 100]);
        $rig->junction->hold(
            'palm',
            [new \NimbleJunction\Core\Universe\Hold(0, 7, 'Ada', $rig->nanos() + 5_000_000_000)],
            $rig->nanos(),
        );
        self::assertSame(7, $rig->level(1));
        $rig->artNet([1 => 255]);
        self::assertSame(7, $rig->level(1));
        self::assertSame(0xFF, \ord($rig->junction->universes()['palm']->winners()[0]));
        $rig->pass(4.9);
        self::assertSame(7, $rig->level(1));
        $rig->pass(0.2);
        self::assertSame(255, $rig->level(1));
        $rig->junction->hold('palm', [new \NimbleJunction\Core\Universe\Hold(0, 9, 'Ada', \PHP_INT_MAX)], $rig->nanos());
        $rig->junction->release(null, null, null, 'Ada', $rig->nanos());
        self::assertSame(255, $rig->level(1));
    }
}
