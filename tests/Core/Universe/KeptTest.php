<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Universe;

use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** What is left of lost senders lies below everything: whatever is ours, and every hold, shows above it. */
final class KeptTest extends TestCase
{
    public function testAFadeGoesOnBelowARoute(): void
    {
        $rig = $this->rig('fade');
        $rig->sacn([1 => 200, 5 => 200]);
        $rig->osc('/lamp', 0.5);
        $rig->sacn([], options: Data::TERMINATED);
        $rig->pass(2);
        self::assertEqualsWithDelta(100, $rig->level(1), 3);
        self::assertSame(128, $rig->level(5), 'the route drives on; before, HTP showed the desk');
        $rig->adopt([...$this->universe('fade'), 'routes' => []]);
        self::assertEqualsWithDelta(100, $rig->level(5), 3, 'without it, the fade is seen where it is');
        $rig->pass(3);
        self::assertSame([0, 0], $rig->levelsOf(1, 5));
    }

    public function testTheSendersAloneAreKeptNotWhatWasOurs(): void
    {
        $rig = $this->rig('hold');
        $rig->sacn([1 => 10]);
        $rig->sacn([1 => 20], cid: 'second');
        $universe = $rig->junction->universes()['palm'];
        $universe->layers()->set('look', 'Doors', [0 => 255], 150);
        $universe->settle($rig->nanos());
        self::assertSame(255, $rig->level(1));
        $rig->pass(4);
        self::assertSame([], $universe->sources());
        $universe->layers()->end('look');
        $universe->settle($rig->nanos());
        self::assertSame(20, $rig->level(1), 'the last one that was lost');
    }

    public function testAFadeSurvivesARestartBelowWhatIsOurs(): void
    {
        $rig = $this->rig('fade');
        $rig->sacn([1 => 200]);
        $rig->osc('/lamp', 1.0);
        $rig->sacn([], options: Data::TERMINATED);
        $rig->pass(1);
        $state = json_decode(
            json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $again = $this->rig('fade');
        $again->junction->restore($state, $again->nanos(), 1_000_000_000);
        self::assertEqualsWithDelta(100, $again->level(1), 3, 'a second there, a second away');
        self::assertSame(255, $again->level(5));
        $again->pass(3);
        self::assertSame([0, 255], $again->levelsOf(1, 5));
        $again->sacn([1 => 40]);
        self::assertSame([40, 255], $again->levelsOf(1, 5), 'a sender ends it');
    }

    public function testOurOwnAloneIsNoLoss(): void
    {
        $rig = $this->rig('stop');
        $rig->osc('/lamp', 1.0);
        self::assertSame(255, $rig->level(5));
        $rig->pass(60);
        self::assertSame(255, $rig->level(5));
        self::assertNotEmpty($rig->pass(2), 'and it is still sent');
    }

    private function rig(string $rule): Rig
    {
        return new Rig($this->universe($rule));
    }

    /** @return array<string, mixed> */
    private function universe(string $rule): array
    {
        return ['universes' => [['id' => 'palm', 'name' => 'Palm House', 'whenLost' => $rule, 'fadeSeconds' => 4]]];
    }
}
