<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Universe;

use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Universe\Fade;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** What becomes of a universe whose last source is gone: its levels stay, fade, or are no longer sent. */
final class WhenLostTest extends TestCase
{
    public function testAFadeGoesEvenlyToZeroAndNewLevelsLeaveAllTheWay(): void
    {
        $rig = $this->rig('fade', 4);
        $rig->sacn([1 => 200, 2 => 100]);
        $rig->pass(2.5 + 0.01);
        self::assertContains('No source is left: fading to black over 4 s', $rig->allHops());
        $left = $rig->pass(1.99);
        self::assertEqualsWithDelta(100, $rig->level(1), 2, 'half of the way');
        self::assertEqualsWithDelta(50, $rig->level(2), 1);
        self::assertGreaterThan(40, \count($this->sacn($left)), 'every step leaves');
        $levels = array_map(static fn(Data $data): int => \ord($data->levels[0]), $this->sacn($left));
        $sorted = $levels;
        rsort($sorted);
        self::assertSame($sorted, $levels, 'never up');
        self::assertLessThanOrEqual(
            5,
            max(array_map(static fn(int $a, int $b): int => $a - $b, \array_slice($levels, 0, -1), \array_slice($levels, 1))),
            'and in small steps',
        );
        $rig->pass(3);
        self::assertSame([0, 0], [$rig->level(1), $rig->level(2)]);
        self::assertNotEmpty($this->sacn($rig->pass(2)), 'black is still sent');
        self::assertGreaterThan($rig->nanos() + 500_000_000, $rig->junction->dueAt(), 'and nothing fades any more');
    }

    public function testASourceThatReturnsEndsTheFadeAtOnce(): void
    {
        $rig = $this->rig('fade', 4);
        $rig->sacn([1 => 200]);
        $rig->pass(4.5);
        self::assertLessThan(200, $rig->level(1));
        $rig->sacn([1 => 210]);
        self::assertSame(210, $rig->level(1));
        $rig->pass(1);
        self::assertSame(210, $rig->level(1));
    }

    public function testWhatIsSetWhileItFadesStays(): void
    {
        $rig = $this->rig('fade', 4);
        $rig->sacn([1 => 200, 5 => 200]);
        $rig->pass(3.5);
        $rig->osc('/lamp', 0.5);
        $rig->pass(5);
        self::assertSame([0, 128], [$rig->level(1), $rig->level(5)]);
    }

    public function testStoppingIsSaidThreeTimesAndThenNothingIsSent(): void
    {
        $rig = $this->rig('stop');
        $rig->sacn([1 => 200]);
        $rig->pass(1);
        $rig->sacn([1 => 200], options: Data::TERMINATED);
        $left = $this->sacn($rig->pass(0.001));
        self::assertSame([], $left, 'it has been said with the packet that ended the source');
        self::assertSame([], $rig->pass(10), 'silence, on Art-Net too');
        self::assertContains('No source is left: sending stops', $rig->allHops());
        $rig->sacn([1 => 120], cid: 'another');
        self::assertSame(120, $rig->level(1));
        self::assertNotEmpty($this->sacn($rig->pass(1)));
    }

    /** ANSI E1.31-2018, 6.2.6: three packets with the bit set, numbered on. */
    public function testTheLastPacketsAreTerminatedAndNumberedOn(): void
    {
        $rig = $this->rig('stop');
        $first = $this->sacn(array_map(static fn(OutgoingPacket $one): array => [0.0, $one], $rig->sacn([1 => 200])));
        $ends = $this->sacn(
            array_map(static fn(OutgoingPacket $one): array => [0.0, $one], $rig->sacn([], options: Data::TERMINATED)),
        );
        self::assertSame([true, true, true], array_map(static fn(Data $data): bool => $data->isTerminated(), $ends));
        self::assertSame([1, 2, 3], array_map(static fn(Data $data): int => $data->sequence - $first[0]->sequence, $ends));
    }

    public function testAHoldIsSentAllTheSame(): void
    {
        $rig = $this->rig('stop');
        $rig->sacn([1 => 200]);
        $rig->junction->hold('palm', [new Hold(7, 99, 'anna', \PHP_INT_MAX)], $rig->nanos());
        $rig->pass(5);
        self::assertSame([0, 99], [$rig->level(1), $rig->level(8)], 'what is held by hand, and nothing with it');
        self::assertNotEmpty($rig->pass(2));
    }

    public function testAFadeBeginsAtOnceWhenTheSourceSaysThatItHasEnded(): void
    {
        $rig = $this->rig('fade', 2);
        $rig->sacn([1 => 200]);
        $rig->pass(1);
        $rig->sacn([1 => 200], options: Data::TERMINATED);
        $rig->pass(1);
        self::assertEqualsWithDelta(100, $rig->level(1), 3);
        $rig->pass(1.1);
        self::assertSame(0, $rig->level(1));
    }

    public function testAFadeBeginsWhenAnEditTakesTheLastPortAway(): void
    {
        $rig = $this->rig('fade', 2);
        $rig->sacn([1 => 200]);
        $rig->adopt(
            [
                'universes' => [['id' => 'palm', 'name' => 'Palm House', 'whenLost' => 'fade', 'fadeSeconds' => 2]],
                'ports' => [Rig::document()['ports'][2], Rig::document()['ports'][3]],
            ],
        );
        $rig->pass(1);
        self::assertEqualsWithDelta(100, $rig->level(1), 3);
    }

    public function testAStoppedUniverseIsSilentAgainWhenItsHoldIsOver(): void
    {
        foreach ([99, 0] as $level) {
            foreach ([true, false] as $byHand) {
                $rig = $this->rig('stop');
                $rig->sacn([1 => 200]);
                $rig->pass(5);
                self::assertSame([], $rig->pass(5));
                $rig->junction->hold('palm', [new Hold(7, $level, 'anna', $rig->nanos() + 3_000_000_000)], $rig->nanos());
                self::assertNotEmpty($rig->pass(2), 'held');
                if ($byHand) {
                    $rig->junction->release('palm', 7, null, 'anna', $rig->nanos());
                }
                $rig->pass(2);
                self::assertSame([], $rig->pass(10), "level {$level}, ".($byHand ? 'let go' : 'run out'));
            }
        }
    }

    /** The rule of the loss is the one in force then; an earlier stop is forgotten once a source has returned. */
    public function testAnEarlierStopDoesNotSilenceLevelsThatAreToStay(): void
    {
        $rig = $this->rig('stop');
        $rig->sacn([1 => 200]);
        $rig->pass(5);
        $rig->adopt(['universes' => [['id' => 'palm', 'name' => 'Palm House']]]);
        $rig->sacn([1 => 150]);
        $rig->pass(5);
        $rig->junction->hold('palm', [new Hold(7, 99, 'anna', \PHP_INT_MAX)], $rig->nanos());
        $rig->junction->release('palm', 7, null, 'anna', $rig->nanos());
        self::assertSame(150, $rig->level(1));
        self::assertNotEmpty($rig->pass(3));
    }

    public function testHoldingTheLastLevelsIsTheRuleWithoutAnother(): void
    {
        $rig = new Rig();
        $rig->sacn([1 => 200]);
        $rig->pass(60);
        self::assertSame(200, $rig->level(1));
    }

    public function testTheFadeItself(): void
    {
        $fade = new Fade("\xFF\x80".str_repeat("\x01", 510), '', 1000, 100);
        self::assertSame("\xFF\x80\x01", substr($fade->levels(1000), 0, 3));
        self::assertSame("\x80\x40\x01", substr($fade->levels(1050), 0, 3));
        self::assertSame("\x00\x00\x00", substr($fade->levels(5000), 0, 3));
        self::assertSame([false, true], [$fade->isOver(1099), $fade->isOver(1100)]);
        self::assertSame(str_repeat("\0", 512), (new Fade(str_repeat("\xFF", 512), '', 0, 0))->levels(1), 'in no time');
    }

    private function rig(string $rule, float $seconds = 3): Rig
    {
        return new Rig(
            ['universes' => [['id' => 'palm', 'name' => 'Palm House', 'whenLost' => $rule, 'fadeSeconds' => $seconds]]],
        );
    }

    /**
     * @param list<array{float, OutgoingPacket}> $left
     *
     * @return list<Data>
     */
    private function sacn(array $left): array
    {
        $packets = array_map(
            static fn(array $one): mixed => $one[1]->port === 5568 ? Packet::decode($one[1]->bytes) : null,
            $left,
        );

        return array_values(array_filter($packets, static fn(mixed $packet): bool => $packet instanceof Data));
    }
}
