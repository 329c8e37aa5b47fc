<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Universe;

use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Rules beyond HTP and LTP, all common practice without a published source unless a test says otherwise. */
final class RulesTest extends TestCase
{
    public function testHighestForIntensityLatestForTheRest(): void
    {
        $rig = Rig::with(['merge' => 'slot', 'latest' => [['first' => 2, 'last' => 3]]]);
        $rig->sacn([1 => 200, 2 => 200, 3 => 10], 100, 'one');
        ++$rig->now;
        $rig->sacn([1 => 100, 2 => 50], 100, 'two');
        self::assertSame(
            [200, 50, 10],
            $rig->levelsOf(1, 2, 3),
            'slot 2 goes to whoever moved it last, slot 3 to the one who ever did',
        );
        self::assertStringContainsString('highest', $rig->junction->universes()['palm']->explain(0));
        self::assertStringContainsString('changed it last (LTP)', $rig->junction->universes()['palm']->explain(1));
        ++$rig->now;
        $rig->sacn([1 => 200, 2 => 201, 3 => 10], 100, 'one');
        self::assertSame([200, 201, 10], $rig->levelsOf(1, 2, 3));
    }

    public function testOneChosenSourceLeadsAloneAndTheOthersAreShown(): void
    {
        $rig = Rig::with(['merge' => 'chosen', 'chosen' => 'guest']);
        $rig->artNet([1 => 255]);
        self::assertSame(0, $rig->level(1), 'the house desk is heard and does not lead');
        self::assertFalse($rig->junction->universes()['palm']->spoken);
        self::assertCount(1, $rig->junction->universes()['palm']->sources());
        $rig->sacn([1 => 30], 1);
        self::assertSame(30, $rig->level(1), 'whatever the priorities');
        self::assertStringContainsString('its port is the chosen one', $rig->junction->universes()['palm']->explain(0));
        $rig->pass(4);
        self::assertSame(30, $rig->level(1), 'the chosen one is lost: its levels stay, the other does not take over');
        $rig->adopt(['universes' => [['id' => 'palm', 'name' => 'Palm House']]]);
        self::assertSame(255, $rig->level(1), 'chosen no more');
    }

    public function testAFadeEndsAtItsLook(): void
    {
        $rig = Rig::with(['whenLost' => 'fade', 'fadeSeconds' => 2, 'look' => [['first' => 1, 'last' => 2, 'level' => 40]]]);
        $rig->sacn([1 => 240, 3 => 100]);
        $rig->pass(2.5 + 1.0);
        self::assertEqualsWithDelta(140, $rig->level(1), 3, 'half way from 240 to 40');
        self::assertEqualsWithDelta(20, $rig->level(2), 2, 'half way up to 40');
        $rig->pass(2);
        self::assertSame([40, 40, 0], $rig->levelsOf(1, 2, 3));
        self::assertStringContainsString('fading to its look over 2 s', implode("\n", $rig->allHops()));
    }

    public function testCurveInversionAndLimitsOnTheWayOut(): void
    {
        $rig = Rig::with(['shapes' => [
            ['first' => 1, 'inverted' => true],
            ['first' => 2, 'low' => 10, 'high' => 131],
            ['first' => 3, 'curve' => 'square'],
            ['first' => 4, 'last' => 5, 'curve' => 'switched'],
            ['first' => 6, 'curve' => 'root'],
            ['first' => 7, 'curve' => 'smooth'],
        ]]);
        $rig->sacn([1 => 55, 2 => 0, 3 => 128, 4 => 127, 5 => 128, 6 => 64, 7 => 64]);
        // By hand: 255−55; 10 is the lowest; 255·(128/255)² = 64.25; below and above the middle; 255·√(64/255) =
        // 127.7; 255·x²(3−2x) with x = 64/255 = 40.1
        self::assertSame([200, 10, 64, 0, 255, 128, 40], $rig->levelsOf(1, 2, 3, 4, 5, 6, 7));
        $rig->sacn([2 => 250]);
        self::assertSame([255, 131], $rig->levelsOf(1, 2), 'a fader cannot leave the useful range (a shutter from 10 to 131)');
        $why = $rig->junction->universes()['palm']->explain(1);
        self::assertStringContainsString('On the way out: kept from 10 to 131 (250 becomes 131)', $why);
        $rig->junction->hold('palm', [new Hold(1, 240, 'Ada', \PHP_INT_MAX)], $rig->nanos());
        self::assertSame(240, $rig->level(2), 'a hold is what leaves: above the limits too');
        $rig->adopt();
        self::assertSame(0, $rig->level(1), 'no longer inverted, at once');
    }

    public function testRunsOfSlotsChangePlaces(): void
    {
        $rig = Rig::with(['swaps' => [['first' => 1, 'with' => 11, 'count' => 3]]]);
        $rig->sacn([1 => 1, 2 => 2, 3 => 3, 4 => 4, 11 => 111, 12 => 112, 13 => 113]);
        self::assertSame([111, 112, 113, 4, 1, 2, 3], $rig->levelsOf(1, 2, 3, 4, 11, 12, 13));
        $universe = $rig->junction->universes()['palm'];
        self::assertStringContainsString('it changes places with slot 12', $universe->explain(1));
        $rig->sacn([11 => 111]);
        self::assertSame(
            [1, 0],
            [\ord($universe->winners()[0]), \ord($universe->winners()[10])],
            'the letters in the grid move too',
        );
    }

    /** Start code 0xDD: a priority for each slot (common practice, no published source). */
    public function testPrioritiesOfSingleSlots(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 200, 2 => 200, 3 => 200], 100, 'one');
        $rig->sacn([1 => 10, 2 => 10, 3 => 10], 90, 'two');
        self::assertSame([200, 200, 200], $rig->levelsOf(1, 2, 3), 'priority 100 is above 90');
        $rig->sacn([1 => 150, 2 => 50, 3 => 100], 90, 'two', startCode: Data::PER_SLOT_PRIORITY);
        self::assertSame(
            [10, 200, 200],
            $rig->levelsOf(1, 2, 3),
            'slot 1 by its own priority; slot 3 is equal: the highest level',
        );
        $rig->sacn([1 => 0, 2 => 150, 3 => 150], 100, 'one', startCode: Data::PER_SLOT_PRIORITY);
        self::assertSame([10, 200, 200], $rig->levelsOf(1, 2, 3));
        $rig->sacn([1 => 0, 2 => 0, 3 => 0], 90, 'two', startCode: Data::PER_SLOT_PRIORITY);
        self::assertSame([0, 200, 200], $rig->levelsOf(1, 2, 3), 'a priority of 0 sends the slot not at all');
        self::assertStringContainsString(
            'its priority for this slot, 150, is the highest',
            $rig->junction->universes()['palm']->explain(1),
        );
        self::assertSame(
            [0, 1],
            [\ord($rig->junction->universes()['palm']->winners()[0]), \ord($rig->junction->universes()['palm']->winners()[1])],
        );
    }

    public function testPrioritiesOfSlotsThatAreNoLongerSentAreForgotten(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 200], 100, 'one');
        $rig->sacn([1 => 10], 90, 'two');
        $rig->sacn([1 => 150], 90, 'two', startCode: Data::PER_SLOT_PRIORITY);
        self::assertSame(10, $rig->level(1));
        for ($i = 0; $i < 6; ++$i) {
            $rig->pass(0.5);
            $rig->sacn([1 => 200], 100, 'one');
            $rig->sacn([1 => 10], 90, 'two');
        }
        self::assertSame(200, $rig->level(1), 'ranked as a whole again');
        self::assertStringContainsString('no longer gives single slots', implode("\n", $rig->titles()));
    }

    public function testAPreviewIsShownAndNotMerged(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 77], 200, 'plan', options: Data::PREVIEW);
        self::assertSame([0, false], [$rig->level(1), $rig->junction->universes()['palm']->spoken]);
        $source = array_values($rig->junction->universes()['palm']->sources())[0];
        self::assertSame([77, true], [\ord($source->levels[0]), $source->preview]);
        $rig->sacn([1 => 78], 200, 'plan');
        self::assertSame(78, $rig->level(1), 'live from now on');
        $rig->sacn([1 => 79], 200, 'plan', options: Data::PREVIEW);
        self::assertSame(78, $rig->level(1), 'a preview again: as if it were lost, its last levels stay');
    }

    public function testLossIsCountedByTheNumbersThatAreMissing(): void
    {
        $rig = new Rig();
        foreach ([254, 255, 1, 2, 5] as $sequence) {
            $rig->artNet([1 => $sequence], sequence: $sequence);
        }
        self::assertSame(
            2,
            $rig->junction->activity('house')->lost,
            '3 and 4; after 255 comes 1, as 0 means "not used" (Art-Net 4, ArtDmx, from memory)',
        );
        foreach ([254, 255, 0, 10] as $sequence) {
            $rig->sacn([1 => $sequence], sequence: $sequence);
        }
        self::assertSame(9, $rig->junction->activity('guest')->lost);
    }

    public function testHowEvenlyFramesCome(): void
    {
        $rig = new Rig();
        for ($i = 0; $i < 200; ++$i) {
            $rig->sacn([1 => $i]);
            $rig->pass(0.025);
        }
        $rhythm = array_values($rig->junction->universes()['palm']->sources())[0]->rhythm;
        self::assertEqualsWithDelta(40, $rhythm->rate($rig->nanos()), 1);
        self::assertLessThan(0.1, $rhythm->jitterMillis());
        self::assertEqualsWithDelta(25, $rhythm->longestGapMillis($rig->nanos()), 0.5);
        $rig->pass(0.3);
        self::assertEqualsWithDelta(325, $rhythm->longestGapMillis($rig->nanos()), 1, 'the silence that lasts now counts');
        $rig->sacn([1 => 1]);
        self::assertGreaterThan(10, $rhythm->jitterMillis());
        $rig->pass(2.2);
        self::assertSame(0, $rhythm->rate($rig->nanos()));
    }

    public function testHoldsOnARunOfSlots(): void
    {
        $rig = new Rig();
        $rig->sacn([9 => 9, 12 => 12]);
        $rig->junction->hold(
            'palm',
            array_map(static fn(int $slot): Hold => new Hold($slot, 200, 'Ada', $rig->nanos() + 5_000_000_000), range(9, 19)),
            $rig->nanos(),
        );
        self::assertSame([9, 200, 200, 200, 0], $rig->levelsOf(9, 10, 12, 20, 21));
        self::assertContains('Ada holds slots 10 to 20 of Palm House at 200', $rig->titles());
        $rig->pass(1.1);
        $rig->junction->release('palm', 9, 11, 'Ada', $rig->nanos());
        self::assertSame([0, 12, 200], $rig->levelsOf(10, 12, 13));
        $rig->pass(0.5);
        for ($i = 0; $i < 10; ++$i) {
            $rig->sacn([9 => 9, 12 => 12]);
            $rig->pass(0.5);
        }
        self::assertSame(0, $rig->level(13), 'all of them end by themselves');
        $rig->adopt(['universes' => [['id' => 'palm', 'name' => 'Hot House', 'merge' => 'htp']]]);
        self::assertSame([
            'Ada holds slots 10 to 20 of Hot House at 200',
            'Ada releases slots 10 to 12 of Hot House',
            'The hold on slot 20 of Hot House is over: its time has passed',
        ], array_values(
            array_filter($rig->titles(), static fn(string $title): bool => preg_match('/hold|release/', $title) === 1),
        ), 'with the name that the universe has now');
    }

    public function testReleasingOnesOwnLeavesTheHoldsOfOthers(): void
    {
        $rig = new Rig();
        $rig->sacn(array_fill(1, 20, 9));
        $until = $rig->nanos() + 60_000_000_000;
        foreach (['Ada' => [0, 1, 2, 7, 11], 'Ben' => [3, 8]] as $by => $slots) {
            $rig->junction->hold(
                'palm',
                array_map(static fn(int $slot): Hold => new Hold($slot, 200, $by, $until), $slots),
                $rig->nanos(),
            );
        }
        $rig->pass(1.1);
        $rig->junction->release(null, null, null, 'Cleo', $rig->nanos(), onlyOwn: true);
        self::assertCount(7, $rig->junction->universes()['palm']->wayOut()->holds(), 'who holds nothing lets go of nothing');
        $rig->junction->release('palm', 2, 4, 'Ada', $rig->nanos(), onlyOwn: true);
        self::assertSame([200, 9, 200], $rig->levelsOf(2, 3, 4), 'of a run too');
        $rig->junction->release(null, null, null, 'Ada', $rig->nanos(), onlyOwn: true);
        self::assertSame([9, 9, 9, 200, 9, 200, 9], $rig->levelsOf(1, 2, 3, 4, 8, 9, 12));
        self::assertContains('Ada releases what Ada held in all slots of Palm House', $rig->titles());
        $rig->junction->release(null, null, null, 'Ben', $rig->nanos(), onlyOwn: true);
        self::assertSame([], $rig->junction->universes()['palm']->wayOut()->holds());
    }

    /** Every stage of the one order that did something is said, from the bottom up. */
    public function testWhoHasASlotAndWhyIsSaidStageByStage(): void
    {
        $rig = Rig::with(['swaps' => [['first' => 1, 'with' => 11]], 'shapes' => [['first' => 1, 'inverted' => true]]]);
        $universe = $rig->junction->universes()['palm'];
        self::assertSame(
            'As it comes in it changes places with slot 11. No source has been heard yet. On the way out: inverted (0 becomes 255).',
            $universe->explain(0),
        );
        $rig->artNet([11 => 55]);
        $rig->sacn([11 => 20]);
        self::assertSame(
            'As it comes in it changes places with slot 11. House desk: highest of 2 (HTP), the next one sends 20. On the way out: inverted (55 becomes 200).',
            $universe->explain(0),
        );
        $universe->layers()->set('look', 'Doors', [0 => 5], 150);
        $universe->settle($rig->nanos());
        self::assertStringContainsString(
            'Doors: priority 150 is above 100. On the way out: inverted (5 becomes 250).',
            $universe->explain(0),
        );
        $rig->junction->hold('palm', [new Hold(0, 7, 'Ada', \PHP_INT_MAX)], $rig->nanos());
        self::assertStringEndsWith('(5 becomes 250). Held by hand at 7 by Ada: a hold is above all that.', $universe->explain(0));
        $rig->junction->release('palm', 0, null, 'Ada', $rig->nanos());
        $universe->layers()->end('look');
        $universe->settle($rig->nanos());
        $rig->pass(12);
        self::assertStringContainsString('No source is left: the last levels stay.', $universe->explain(0));
    }

    public function testTheOneThatCameFirstHasALevelThatTwoSend(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 9]);
        $rig->sacn([1 => 9]);
        self::assertSame(
            'House desk: highest, level with another source that came later (HTP).',
            $rig->junction->universes()['palm']->explain(0),
        );
    }
}
