<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\StandIn;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\StandIn\GuestDesk;
use NimbleJunction\StandIn\HouseDesk;
use NimbleJunction\StandIn\Link\Habits;
use NimbleJunction\StandIn\Tablet;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Looping;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/** Devices with bad habits: they lose, delay, count from the wrong number, or have their ports swapped. */
final class HabitsTest extends TestCase
{
    use Looping;

    private const NET = '127.76.4';

    public function testPacketsAreLostAndLate(): void
    {
        $habits = new Habits(Habits::LOSS, Habits::JITTER);
        $sent = 0;
        $habits->play(['habit' => Habits::LOSS, 'on' => true]);
        for ($i = 0; $i < 1000; ++$i) {
            $habits->send(static function () use (&$sent): void {
                ++$sent;
            });
        }
        self::assertGreaterThan(700, $sent);
        self::assertLessThan(900, $sent, 'one in five never leaves');
        $habits->play(['habit' => Habits::LOSS, 'on' => false]);
        $habits->play(['habit' => Habits::JITTER, 'on' => true]);
        $late = 0;
        for ($i = 0; $i < 50; ++$i) {
            $habits->send(static function () use (&$late): void {
                ++$late;
            });
        }
        self::assertSame(0, $late, 'none leaves at once');
        $this->until(static function () use (&$late): bool {
            return $late === 50;
        });
        $this->expectExceptionMessage('"habit" must be one of: loss, jitter.');
        $habits->play(['habit' => Habits::SWAPPED, 'on' => true]);
    }

    public function testDesksOffByOneAndTooSlow(): void
    {
        $house = new HouseDesk('house', 'House', self::NET.'.23', self::NET.'.7', [1]);
        $guest = new GuestDesk('guest', 'Guest', self::NET.'.24', self::NET.'.7', 1);
        $art = new Udp(self::NET.'.7', 6454);
        $sacn = new Udp(self::NET.'.7', 5568);
        $house->play('habit', ['habit' => Habits::WRONG_UNIVERSE, 'on' => true]);
        $guest->play('habit', ['habit' => Habits::SLOW, 'on' => true]);
        $this->playing($house, function () use ($art, $house): void {
            self::assertSame(
                2,
                $this->decoded($art, ArtNet::decode(...), static fn(mixed $one): bool => $one instanceof Dmx)->portAddress,
            );
            self::assertSame([2], $house->state()['universes']);
        });
        $this->playing($guest, function () use ($sacn): void {
            self::assertNotNull($this->next($sacn, Background::PATIENCE));
            self::assertNull(
                $this->next($sacn, 2.6),
                'longer than the 2.5 s after which a source is lost (ANSI E1.31-2018, 6.7.1)',
            );
            self::assertNotNull($this->next($sacn, Background::PATIENCE));
        });
        $art->close();
        $sacn->close();
    }

    public function testATabletWithItsPortsSwapped(): void
    {
        $tablet = new Tablet('tablet', 'Tablet', self::NET.'.25', 9000, self::NET.'.8', 8000, '/lamp');
        $we = new Udp(self::NET.'.8', 8000);
        $wrong = new Udp(self::NET.'.8', 9000);
        $this->playing($tablet, function () use ($tablet, $we, $wrong): void {
            $tablet->play('fader', ['value' => 0.5]);
            self::assertNotNull($this->next($we, Background::PATIENCE));
            $tablet->play('habit', ['habit' => Habits::SWAPPED, 'on' => true]);
            $tablet->play('fader', ['value' => 0.6]);
            self::assertNull($this->next($we, 0.2));
            self::assertNotNull($this->next($wrong, Background::PATIENCE));
            $wrong->send((new Message('/lamp', [Argument::float(0.9)]))->encode(), self::NET.'.25:8000');
            $this->until(static fn(): bool => $tablet->state()['fader'] === 0.9);
        });
        $we->close();
        $wrong->close();
    }
}
