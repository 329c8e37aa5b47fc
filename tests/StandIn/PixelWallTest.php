<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\StandIn;

use NimbleJunction\Core\Pixels\ColourOrder;
use NimbleJunction\Core\Pixels\Layout\Corner;
use NimbleJunction\Core\Pixels\Layout\Direction;
use NimbleJunction\Core\Pixels\Layout\Rectangle;
use NimbleJunction\Core\Pixels\PixelMap;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\StandIn\Link\Habits;
use NimbleJunction\StandIn\PixelWall;
use NimbleJunction\Tests\Support\Looping;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/** A matrix of lamps that says for itself where each of its levels goes: what our maps say is held against it. */
final class PixelWallTest extends TestCase
{
    use Looping;

    private const NET = '127.76.4';

    public function testEachPixelOfOurMapIsTheLampThatItSaysItIs(): void
    {
        $map = self::map(true, ColourOrder::Grb);
        $places = $map->layout?->places() ?? [];
        $this->playing(function (PixelWall $wall, Udp $desk) use ($map, $places): void {
            foreach ([1, 20, 21, 40, 41, 170, 171, 240] as $pixel) {
                $slots = $map->wiring->slots($pixel - 1);
                $universe = intdiv($slots[0], 512);
                [$green, $red, $blue] = array_map(static fn(int $slot): int => $slot % 512 + 1, $slots);
                $desk->send((new Dmx(32 + 1 - $universe, str_repeat("\0", 512)))->encode(), self::NET.'.20:6454');
                $desk->send((new Dmx(32 + $universe, Rig::levels([$green => 2, $red => 1, $blue => 3])))->encode(), self::NET.'.20:6454');
                [$x, $y] = $places[$pixel - 1];
                $this->until(static fn(): bool => $wall->state()['lamps'][(int) $y * 20 + (int) $x] === 0x010203);
                self::assertCount(1, array_filter($wall->state()['lamps']), "pixel {$pixel} alone");
            }
        });
    }

    public function testWiredOtherwiseItShowsItElsewhereAndInOtherColours(): void
    {
        $this->playing(function (PixelWall $wall, Udp $desk): void {
            // The 21st pixel is the first of the second row from below.
            $desk->send((new Dmx(32, Rig::levels([61 => 255])))->encode(), self::NET.'.20:6454');
            $this->until(static fn(): bool => $wall->state()['lamps'][10 * 20 + 19] === 0x00FF00);
            $wall->play('habit', ['habit' => Habits::STRAIGHT, 'on' => true]);
            self::assertSame([0, 0x00FF00], [$wall->state()['lamps'][10 * 20 + 19], $wall->state()['lamps'][10 * 20]]);
            $wall->play('habit', ['habit' => Habits::OTHER_COLOURS, 'on' => true]);
            self::assertSame(0xFF0000, $wall->state()['lamps'][10 * 20]);
            $straight = self::map(false, ColourOrder::Rgb);
            self::assertSame([0.0, 10.0], $straight->layout?->places()[20]);
        });
    }

    public function testItSaysWhichUniversesItTakesAndLeavesOthersAlone(): void
    {
        $this->playing(function (PixelWall $wall, Udp $desk): void {
            $desk->send((new Poll())->encode(), self::NET.'.20:6454');
            $reply = $this->decoded($desk, ArtNet::decode(...), static fn(mixed $one): bool => $one instanceof PollReply);
            self::assertInstanceOf(PollReply::class, $reply);
            $numbers = array_map(static fn(object $port): int => $reply->portAddress($port)->number, $reply->ports);
            self::assertSame([32, 33], $numbers);
            foreach ([31, 34] as $other) {
                $desk->send((new Dmx($other, Rig::levels([1 => 255])))->encode(), self::NET.'.20:6454');
            }
            $desk->send('no packet', self::NET.'.20:6454');
            $desk->send((new Dmx(33, Rig::levels([1 => 1])))->encode(), self::NET.'.20:6454');
            $this->until(static fn(): bool => $wall->state()['packets'] === 1);
            $this->expectException(\InvalidArgumentException::class);
            $wall->play('fader', []);
        });
    }

    private static function map(bool $isZigzag, ColourOrder $order): PixelMap
    {
        return new PixelMap(
            'wall',
            'Wall',
            new Rectangle(20, 12, Corner::BottomLeft, Direction::Rows, $isZigzag),
            $order,
            ['a', 'b'],
            1,
        );
    }

    /** @param \Closure(PixelWall, Udp): void $play */
    private function playing(\Closure $play): void
    {
        $wall = new PixelWall('wall', 'Wall', self::NET.'.20', 32);
        $desk = new Udp(self::NET.'.2', 6454);
        $wall->start();
        try {
            $play($wall, $desk);
        } finally {
            $wall->stop();
            $desk->close();
        }
    }
}
