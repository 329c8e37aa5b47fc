<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\Net\FairShare;
use PHPUnit\Framework\TestCase;

/** Who is dealt with when more comes than can be: windows are ended by hand here, so that nothing depends on the machine. */
final class FairShareTest extends TestCase
{
    public function testWhileThereIsRoomAllAreTaken(): void
    {
        $share = new FairShare();
        for ($window = 0; $window < 5; ++$window) {
            self::assertSame([1000, 4], [$this->taken($share, 'flood', 1000), $this->taken($share, 'desk', 4)]);
            self::assertSame(0, $share->next(true));
        }
    }

    /** As after a start, when code is compiled for the first time: few are read, then what has waited is. */
    public function testAMomentOfSomethingElseLeavesNobodyOut(): void
    {
        $share = new FairShare();
        foreach ([40, 40, 40, 40, 40, 40, 900, 900, 900] as $read) {
            self::assertSame([$read, $read], [$this->taken($share, 'house', $read), $this->taken($share, 'guest', $read)]);
            self::assertSame(0, $share->next(false));
        }
        self::assertSame(1100, $this->taken($share, 'house', 1100));
        $share->next(true);
        foreach ([40, 40, 40, 40, 40, 900, 900, 900, 1500, 1500] as $read) {
            $this->taken($share, 'house', $read);
            $this->taken($share, 'guest', $read);
            $share->next(false);
        }
        self::assertSame(1050, $this->taken($share, 'house', 1200), 'of what it has been seen to keep up with');
    }

    public function testAFloodTakesNothingFromADesk(): void
    {
        $share = new FairShare();
        $this->taken($share, 'desk', 4);
        $share->next(true);
        $this->flooded($share);
        for ($window = 0; $window < 20; ++$window) {
            $taken = $this->taken($share, 'flood', 5000);
            self::assertLessThan(5000, $taken);
            self::assertSame(4, $this->taken($share, 'desk', 4));
            self::assertSame(5000 - $taken, $share->next($window % 3 > 0), 'and what was left out is counted');
        }
    }

    /** The engine was started again while it is flooded, or the desk was: nobody knows it. */
    public function testADeskThatComesLaterHasItsShareToo(): void
    {
        $share = new FairShare();
        $this->flooded($share);
        $this->taken($share, 'flood', 5000);
        self::assertSame(4, $this->taken($share, 'desk', 4));
    }

    public function testVeryManyNamesAreOneSender(): void
    {
        $share = new FairShare();
        $this->taken($share, 'desk', 4);
        $share->next(true);
        $this->flooded($share);
        $all = 0;
        for ($i = 0; $i < 20_000; ++$i) {
            $all += $this->taken($share, "made up {$i}", 1);
        }
        self::assertLessThan(5000, $all);
        self::assertSame(4, $this->taken($share, 'desk', 4), 'whoever was known keeps its own');
    }

    public function testOnceNobodyIsLeftOutThereIsRoomForAllAgain(): void
    {
        $share = new FairShare();
        $this->flooded($share);
        $this->taken($share, 'desk', 4);
        $share->next(true);
        self::assertSame(9000, $this->taken($share, 'busy', 9000));
    }

    private function taken(FairShare $share, string $sender, int $datagrams): int
    {
        $taken = 0;
        for ($i = 0; $i < $datagrams; ++$i) {
            $taken += $share->takes($sender) ? 1 : 0;
        }

        return $taken;
    }

    private function flooded(FairShare $share): void
    {
        for ($window = 0; $window < FairShare::PATIENCE; ++$window) {
            $this->taken($share, 'flood', 5000);
            $share->next(false);
        }
    }
}
