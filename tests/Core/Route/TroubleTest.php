<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** An alarm by a route: a port that has been in trouble for so long sends a message, once each time. */
final class TroubleTest extends TestCase
{
    private Rig $rig;

    protected function setUp(): void
    {
        $this->rig = new Rig(['routes' => [[
            'id' => 'alarm', 'name' => 'Alarm',
            'when' => ['kind' => 'trouble', 'port' => 'house', 'seconds' => 6],
            'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/alarm']]],
        ]]]);
    }

    public function testItComesOnceAfterItsSecondsAndAgainTheNextTime(): void
    {
        $this->sends(3.0);
        $this->rig->pass(20.0);
        self::assertSame(1, $this->fired());
        self::assertGreaterThan(6, $this->troubled());
        $this->sends(3.0);
        self::assertSame([1, 0], [$this->fired(), $this->troubled()]);
        $this->rig->pass(20.0);
        self::assertSame(2, $this->fired());
    }

    public function testWhatIsOverSoonerIsNone(): void
    {
        for ($i = 0; $i < 5; ++$i) {
            $this->sends(3.0);
            // Lost after 10 s of silence at most (Art-Net 4, "Network Data Loss Timeout"), then for less than six.
            $this->rig->pass(5.0);
        }
        self::assertSame(0, $this->fired());
    }

    public function testWhatNeverCameIsNotMissed(): void
    {
        $this->rig->pass(60.0);
        self::assertSame([0, 0], [$this->fired(), $this->troubled()]);
    }

    private function sends(float $seconds): void
    {
        for ($until = $this->rig->now + $seconds; $this->rig->now < $until;) {
            $this->rig->artNet([1 => 10]);
            $this->rig->pass(0.025);
        }
    }

    private function fired(): int
    {
        return (int) $this->rig->junction->points()->read(Reference::parse('route:alarm/fired') ?? self::fail());
    }

    private function troubled(): int
    {
        return (int) $this->rig->junction->points()->read(Reference::parse('port:house/troubled') ?? self::fail());
    }
}
