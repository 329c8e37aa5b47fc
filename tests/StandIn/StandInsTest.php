<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\StandIn;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet as Osc;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\StandIn\Device;
use NimbleJunction\StandIn\Faders;
use NimbleJunction\StandIn\GuestDesk;
use NimbleJunction\StandIn\HouseDesk;
use NimbleJunction\StandIn\Lamps;
use NimbleJunction\StandIn\Rack;
use NimbleJunction\StandIn\Tablet;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Looping;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/** Each simulated device, in this process, with real packets between loopback addresses. */
final class StandInsTest extends TestCase
{
    use Looping;

    private const NET = '127.76.0';

    public function testAHouseDeskSendsArtNetAnswersPollsAndFallsSilentWhenItsCableIsPulled(): void
    {
        $desk = new HouseDesk('desk', 'House desk', self::NET.'.11', self::NET.'.1', [1, 2]);
        $we = new Udp(self::NET.'.1', 6454);
        $desk->play('fader', ['fader' => 3, 'level' => 77]);
        $this->playing($desk, function () use ($desk, $we): void {
            $packet = $this->decoded(
                $we,
                ArtNet::decode(...),
                static fn(mixed $one): bool => $one instanceof Dmx && $one->portAddress === 2,
            );
            self::assertInstanceOf(Dmx::class, $packet);
            self::assertSame([77, 512], [\ord($packet->levels[2]), \strlen($packet->levels)]);
            $we->send((new Poll())->encode(), self::NET.'.11:6454');
            $reply = $this->decoded($we, ArtNet::decode(...), static fn(mixed $one): bool => $one instanceof PollReply);
            self::assertInstanceOf(PollReply::class, $reply);
            self::assertSame(['House desk', self::NET.'.11'], [$reply->portName, $reply->address]);
            $desk->play('cable', ['in' => false]);
            $we->collect(0.05);
            self::assertNull($this->next($we, 0.3));
        });
        $we->close();
    }

    public function testADeskThatThinsItsOutputRepeatsAboutTwiceASecond(): void
    {
        $desk = new HouseDesk('desk', 'Desk', self::NET.'.21', self::NET.'.2', [1]);
        $we = new Udp(self::NET.'.2', 6454);
        $desk->play('thins', ['on' => true]);
        $this->playing($desk, function () use ($we): void {
            $count = 0;
            for ($end = microtime(true) + 1.6; ($left = $end - microtime(true)) > 0;) {
                $count += $this->next($we, $left) === null ? 0 : 1;
            }
            self::assertGreaterThanOrEqual(3, $count);
            self::assertLessThanOrEqual(
                5,
                $count,
                'common practice, no source: about two packets a second while nothing changes',
            );
        });
        $we->close();
    }

    public function testAGuestDeskSendsItsPriorityAndSaysWhenItEnds(): void
    {
        $desk = new GuestDesk('guest', 'Guest desk', self::NET.'.12', self::NET.'.3', 1);
        $we = new Udp(self::NET.'.3', 5568);
        $desk->play('priority', ['priority' => 150]);
        $this->playing($desk, function () use ($desk, $we): void {
            $data = $this->decoded($we, Sacn::decode(...), static fn(mixed $one): bool => $one instanceof Data);
            self::assertInstanceOf(Data::class, $data);
            self::assertSame([150, 'Guest desk', 1], [$data->priority, $data->sourceName, $data->universe]);
            $desk->play('end', []);
            $last = $this->decoded(
                $we,
                Sacn::decode(...),
                static fn(mixed $one): bool => $one instanceof Data && $one->isTerminated(),
            );
            self::assertInstanceOf(Data::class, $last);
        });
        $we->close();
    }

    /** ANSI E1.31-2018, 6.2.5: the sequence number counts through all 256 values. */
    public function testAGuestDeskCountsThroughNought(): void
    {
        $desk = new GuestDesk('guest', 'Guest desk', self::NET.'.12', self::NET.'.6', 1);
        (new \ReflectionProperty($desk, 'sequence'))->setValue($desk, 253);
        $we = new Udp(self::NET.'.6', 5568);
        $this->playing($desk, function () use ($we): void {
            $numbers = [];
            for ($i = 0; $i < 4; ++$i) {
                $data = Sacn::decode((string) $this->next($we, Background::PATIENCE));
                self::assertInstanceOf(Data::class, $data);
                $numbers[] = $data->sequence;
            }
            self::assertSame([254, 255, 0, 1], $numbers);
        });
        $we->close();
    }

    public function testBrokenPacketsAreAllBroken(): void
    {
        $desk = new GuestDesk('guest', 'Guest desk', self::NET.'.13', self::NET.'.4', 1);
        $we = new Udp(self::NET.'.4', 5568);
        $desk->play('thins', ['on' => true]);
        $this->playing($desk, function () use ($desk, $we): void {
            $this->next($we, Background::PATIENCE);
            $desk->play('broken', []);
            $refused = 0;
            for ($i = 0; $i < 6 && ($bytes = $this->next($we, 1.0)) !== null; ++$i) {
                try {
                    Sacn::decode($bytes);
                } catch (Malformed) {
                    ++$refused;
                }
            }
            self::assertSame(4, $refused);
        });
        $we->close();
    }

    public function testLampsShowWhatArrivesAndGoDarkWhenNothingDoes(): void
    {
        $wire = new Lamps('dimmers', 'Dimmers', self::NET.'.14', 5120, null);
        $node = new Lamps('node', 'Node', self::NET.'.15', 5568, 7);
        $desk = new Udp(self::NET.'.5');
        $this->playing(new Rack($wire, $node), function () use ($wire, $node, $desk): void {
            $desk->send("\0\x0A\x14", self::NET.'.14:5120');
            $desk->send((new Data(str_repeat('c', 16), 8, "\xFF"))->encode(), self::NET.'.15:5568');
            $desk->send((new Data(str_repeat('c', 16), 7, "\x1E"))->encode(), self::NET.'.15:5568');
            $this->until(static fn(): bool => $wire->state()['packets'] === 1 && $node->state()['packets'] === 1);
            self::assertSame([10, 20, 0], \array_slice($wire->state()['lamps'], 0, 3));
            self::assertSame(30, $node->state()['lamps'][0], 'universe 8 is not its own');
            $this->until(static fn(): bool => $wire->state()['alive'] === false);
            self::assertSame(0, $wire->state()['lamps'][0]);
            self::assertTrue($node->state()['alive'], 'sACN is lost after 2.5 s, a line after 1 s');
        });
        $desk->close();
    }

    public function testATabletSendsWhenItsFaderMovesAndFollowsWhatComesBack(): void
    {
        $tablet = new Tablet('tablet', 'Tablet', self::NET.'.16', 9000, self::NET.'.6', 8000, '/lamp');
        $we = new Udp(self::NET.'.6', 8000);
        $this->playing($tablet, function () use ($tablet, $we): void {
            $tablet->play('fader', ['value' => 0.25]);
            self::assertSame(0.25, Osc::decode((string) $this->next($we, Background::PATIENCE))[0]->arguments[0]->value);
            $we->send((new Message('/lamp', [Argument::float(1.0)]))->encode(), self::NET.'.16:9000');
            $this->until(static fn(): bool => $tablet->state()['fader'] === 1.0);
            $we->send('rubbish', self::NET.'.16:9000');
            $this->until(static fn(): bool => str_contains((string) $tablet->state()['heard'], 'multiple of four'));
        });
        $we->close();
    }

    public function testWhatAPanelMayNotDoIsSaidInWords(): void
    {
        $rack = new Rack(new HouseDesk('desk', 'House desk', '127.76.0.17', '127.76.0.1', [1]));
        foreach ([
            ['desk', 'fader', ['fader' => 13, 'level' => 1], '"fader" must be a whole number from 1 to 12.'],
            ['desk', 'motion', ['motion' => 'dance'], '"motion" must be one of: still, wave, chase.'],
            ['desk', 'juggle', [], 'House desk has no control "juggle".'],
            ['piano', 'fader', [], 'There is no stand-in "piano".'],
        ] as [$device, $control, $values, $words]) {
            try {
                $rack->play($device, $control, $values);
                self::fail("{$control} was taken");
            } catch (\InvalidArgumentException $refused) {
                self::assertSame($words, $refused->getMessage());
            }
        }
    }

    public function testAChaseLightsOneFaderAfterTheOther(): void
    {
        $faders = new Faders();
        $faders->motion = 'chase';
        foreach ([[0.0, 0], [0.25, 1], [2.75, 11], [3.0, 0]] as [$seconds, $lit]) {
            self::assertSame($lit, array_search(255, $faders->playing($seconds), true));
        }
        $faders->motion = 'wave';
        self::assertSame(128, $faders->playing(0.0)[0], 'a sine begins in the middle');
        self::assertSame(255, $faders->playing(1.5)[0], 'and is up after a quarter of its six seconds');
    }
}
