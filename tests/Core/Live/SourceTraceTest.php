<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Live;

use NimbleJunction\Core\Merge\SlotPriorities;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** What the trace tells of senders: facts when they happen, sentences with the names of now when somebody reads. */
final class SourceTraceTest extends TestCase
{
    public function testWhoComesIsNamedOnce(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 10]);
        $rig->sacn([1 => 20]);
        self::assertSame(['New source for Palm House: Guest (127.0.0.12), priority 100'], $this->about($rig, 'New source'));
        self::assertContains('heard: Guest desk heard Guest from 127.0.0.12 for the first time', $rig->hops('source'));
    }

    public function testThePortsNameIsTheOneOfNow(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 10]);
        $rig->adopt(Rig::port('guest', ['name' => 'Truck desk']));
        self::assertContains('heard: Truck desk heard Guest from 127.0.0.12 for the first time', $rig->hops('source'));
    }

    public function testAThirdSourceIsPointedOut(): void
    {
        $rig = new Rig();
        foreach (['one', 'two', 'three'] as $cid) {
            $rig->sacn([1 => 10], cid: $cid);
        }
        $third = array_filter($rig->allHops(), static fn(string $hop): bool => str_contains($hop, 'leave a third out'));
        self::assertSame(
            ['It is source number 3 here: we merge it, but many Art-Net nodes merge two and leave a third out'],
            array_values($third),
        );
    }

    public function testAPreviewIsSaidToBeOne(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 255], options: Data::PREVIEW);
        self::assertContains('It says that its levels are a preview: they are shown, and not merged', $rig->allHops());
        self::assertSame(0, $rig->level(1));
    }

    public function testWhoFindsNoRoomIsNamedAndDisturbsNobody(): void
    {
        $rig = new Rig();
        for ($number = 0; $number <= Universe::MOST_SOURCES; ++$number) {
            $rig->sacn([1 => $number === Universe::MOST_SOURCES ? 255 : 10], cid: "desk{$number}");
        }
        $late = 'Desk'.Universe::MOST_SOURCES;
        $most = Universe::MOST_SOURCES;
        self::assertContains("{$late} (127.0.0.12) is not merged into Palm House: it has {$most} sources already", $rig->allHops());
        self::assertSame(10, $rig->level(1));
    }

    public function testWhoEndsAndWhoIsNotHeardGoForDifferentReasons(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 10], cid: 'one');
        $rig->sacn([1 => 20], cid: 'two');
        for ($time = 0; $time < 3; ++$time) {
            // E1.31-2018, 6.2.6: three packets with Stream_Terminated.
            $rig->sacn([1 => 20], cid: 'two', options: Data::TERMINATED);
        }
        $rig->pass(3.0);
        [$ended, $silent] = $this->about($rig, 'Lost source');
        self::assertStringStartsWith('Lost source for Palm House: Two (127.0.0.12) ', $ended);
        self::assertStringStartsWith('Lost source for Palm House: One (127.0.0.12) was not heard for ', $silent);
        self::assertNotSame(str_replace('Two', 'One', $ended), $silent, 'one said so, the other did not');
        $left = array_filter($rig->allHops(), static fn(string $hop): bool => str_starts_with($hop, 'No source is left: '));
        self::assertCount(1, $left, 'only the last one leaves nobody behind');
    }

    public function testANewPriorityAndANewLeaderAreTwoThings(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 10], priority: 100, cid: 'one');
        $rig->sacn([1 => 20], priority: 90, cid: 'two');
        $rig->sacn([1 => 20], priority: 120, cid: 'two');
        self::assertContains('Two now sends Palm House with priority 120, before 90', $rig->allHops());
        self::assertContains('Palm House is now led by Two (priority 120); before by One (priority 100)', $rig->allHops());
        $rig->sacn([1 => 20], priority: 100, cid: 'two');
        $shared = array_values(
            array_filter(
                $rig->allHops(),
                static fn(string $hop): bool => str_contains($hop, 'led by One (priority 100) and Two (priority 100)'),
            ),
        );
        self::assertCount(1, $shared, 'and how they are merged');
        self::assertStringContainsString(', merged ', $shared[0]);
    }

    public function testPrioritiesOfSingleSlotsComeAndGo(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 10]);
        $rig->sacn([1 => 150], startCode: SlotPriorities::START_CODE);
        self::assertContains('Guest gives single slots of Palm House priorities of their own', $rig->allHops());
        for ($tenth = 0; $tenth < 40; ++$tenth) {
            $rig->pass(0.1);
            $rig->sacn([1 => 10]);
        }
        self::assertContains(
            'Guest no longer gives single slots of Palm House priorities of their own',
            $rig->allHops(),
            'its levels go on, its priorities were not heard any more',
        );
    }

    /** @return list<string> titles that begin like this, in their order */
    private function about(Rig $rig, string $beginning): array
    {
        return array_values(array_filter($rig->titles(), static fn(string $title): bool => str_starts_with($title, $beginning)));
    }
}
