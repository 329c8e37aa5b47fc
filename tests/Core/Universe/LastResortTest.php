<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Universe;

use NimbleJunction\Core\Junction;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** A source of last resort: it leads only where no other is there, whatever its priority, and steps back at once. */
final class LastResortTest extends TestCase
{
    public function testItLeadsOnlyWhenTheOthersAreGone(): void
    {
        $rig = new Rig($this->show(true));
        $rig->sacn([1 => 200, 2 => 200], priority: 200);
        self::assertSame(200, $rig->level(1), 'alone, it leads');
        $rig->artNet([1 => 50]);
        self::assertSame([50, 0], [$rig->level(1), $rig->level(2)], 'a priority of 100 is above it');
        $rig->pass(1);
        for ($second = 0; $second < 11; ++$second) {
            $rig->sacn([1 => 210], priority: 200);
            $rig->pass(1);
        }
        self::assertSame(210, $rig->level(1), 'Art-Net has been silent for 10 s');
        $rig->artNet([1 => 60]);
        self::assertSame(60, $rig->level(1), 'and steps back at once');
    }

    public function testThePageIsToldWhy(): void
    {
        $rig = new Rig($this->show(true));
        $rig->sacn([1 => 200], priority: 200);
        $rig->artNet([1 => 50]);
        $universe = $rig->junction->universes()['palm'];
        self::assertSame('House desk: what is there besides is a source of last resort.', $universe->explain(0));
        self::assertCount(1, $universe->control()->leading);
    }

    public function testTheSwitchWorksWhileItRuns(): void
    {
        $rig = new Rig($this->show(false));
        $rig->artNet([1 => 50]);
        $rig->sacn([1 => 200], priority: 200);
        self::assertSame(200, $rig->level(1));
        $rig->adopt($this->show(true));
        self::assertSame(200, $rig->level(1), 'an edit alone moves nothing before the next packet');
        $rig->sacn([1 => 200], priority: 200);
        self::assertSame(50, $rig->level(1));
        $rig->adopt($this->show(false));
        $rig->sacn([1 => 200], priority: 200);
        self::assertSame(200, $rig->level(1));
    }

    public function testItSurvivesARestart(): void
    {
        $rig = new Rig($this->show(true));
        $rig->sacn([1 => 200], priority: 200);
        $rig->artNet([1 => 50]);
        $snapshot = json_decode(
            json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $again = new Rig($this->show(true));
        self::assertInstanceOf(Junction::class, $again->junction);
        $again->junction->restore($snapshot, $again->nanos());
        self::assertSame(50, $again->level(1));
        $again->artNet([2 => 7]);
        self::assertSame([0, 7], [$again->level(1), $again->level(2)], 'the desk still leads alone');
    }

    /** @return array<string, mixed> */
    private function show(bool $lastResort): array
    {
        $ports = Rig::document()['ports'];
        $ports[1]['receive']['lastResort'] = $lastResort;

        return ['ports' => $ports];
    }
}
