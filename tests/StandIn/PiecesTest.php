<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\StandIn;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet as Osc;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\StandIn\Breakage;
use NimbleJunction\StandIn\Faders;
use NimbleJunction\StandIn\Values;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the stand-ins are made of: faders that move by themselves, packets broken on purpose, values from a panel. */
final class PiecesTest extends TestCase
{
    /** @return iterable<string, array{callable(string): mixed, string}> */
    public static function packets(): iterable
    {
        yield 'Art-Net' => [ArtNet::decode(...), (new Dmx(1, str_repeat("\xFF", 512), 3))->encode()];
        yield 'sACN' => [Sacn::decode(...), (new Data(str_repeat('c', 16), 1, str_repeat("\xFF", 512)))->encode()];
        yield 'OSC' => [Osc::decode(...), (new Message('/palm/lantern', [Argument::float(0.5)]))->encode()];
    }

    #[DataProvider('packets')]
    public function testPacketsBrokenOnPurposeAreRefused(callable $decode, string $good): void
    {
        $decode($good);
        $refused = 0;
        foreach (Breakage::of($good) as $broken) {
            try {
                $decode($broken);
            } catch (Malformed) {
                ++$refused;
            }
        }
        self::assertGreaterThanOrEqual(3, $refused, 'one of four changed in its middle may still be read');
    }

    public function testFadersStandStillUntilTheyAreMoved(): void
    {
        $faders = new Faders();
        self::assertSame(str_repeat("\0", 512), $faders->slots(3.5));
        $faders->set(12, 255);
        self::assertSame("\xFF\0", substr($faders->slots(9.9), 11, 2));
        self::assertSame($faders->slots(1.0), $faders->slots(2.0));
    }

    public function testAWaveIsSmoothAndComesRound(): void
    {
        $faders = new Faders();
        $faders->motion = 'wave';
        self::assertSame($faders->slots(0.0), $faders->slots(6.0), 'six seconds long');
        $last = $faders->playing(0.0)[0];
        for ($i = 1; $i <= 240; ++$i) {
            $now = $faders->playing($i * 0.025)[0];
            self::assertLessThanOrEqual(4, abs($now - $last), 'no step that a person could see');
            $last = $now;
        }
        self::assertSame($faders->playing(1.0)[0], $faders->playing(1.5)[1], 'each fader half a second later');
    }

    public function testWhatAPanelSendsIsReadStrictly(): void
    {
        self::assertSame(
            [5, 0.5, true, 'wave'],
            [
                Values::whole(['a' => 5], 'a', 0, 5),
                Values::number(['a' => 0.5], 'a', 0, 1),
                Values::flag(['a' => true], 'a'),
                Values::word(['a' => 'wave'], 'a', ['wave']),
            ],
        );
        foreach ([
            [static fn() => Values::whole(['a' => '5'], 'a', 0, 5), '"a" must be a whole number from 0 to 5.'],
            [static fn() => Values::number([], 'a', 0, 1), '"a" must be a number from 0 to 1.'],
            [static fn() => Values::flag(['a' => 1], 'a'), '"a" must be true or false.'],
            [static fn() => Values::word(['a' => 'x'], 'a', ['y', 'z']), '"a" must be one of: y, z.'],
        ] as [$read, $words]) {
            try {
                $read();
                self::fail('it was taken');
            } catch (\InvalidArgumentException $refused) {
                self::assertSame($words, $refused->getMessage());
            }
        }
    }
}
