<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Live;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Ports and routes are switched while the show runs: by a person, or by a route that sees the main way fail. */
final class SwitchedByHandTest extends TestCase
{
    public function testAPortThatIsSwitchedOffHearsAndSendsNothingAndComesBackWithoutABlink(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 200]);
        self::assertContains('127.0.0.14', self::receivers($rig->pass(0.05)));
        self::assertSame('', $this->set($rig, 'port:node/enabled', 0)[0]);
        $left = $rig->pass(3);
        self::assertNotContains('127.0.0.14', self::receivers($left));
        self::assertContains('127.0.0.16', self::receivers($left), 'the others go on');
        self::assertSame([0, 'off'], [$this->read($rig, 'port:node/enabled'), $this->read($rig, 'port:node/alive')]);
        $this->set($rig, 'port:house/enabled', 0);
        $rig->artNet([1 => 10]);
        self::assertSame(200, $rig->level(1), 'nothing is heard, and what was there stays by the rule for lost senders');
        $this->set($rig, 'port:house/enabled', 1);
        $rig->artNet([1 => 11]);
        self::assertSame(11, $rig->level(1));
        $this->set($rig, 'port:node/enabled', 1);
        self::assertContains('127.0.0.14', self::receivers($rig->pass(0.1)));
    }

    public function testAFarewellIsSaidByTheWayThatIsSwitchedOff(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 200]);
        $rig->pass(1);
        [, $left] = $this->set($rig, 'port:node/enabled', 0);
        $bytes = array_map(
            static fn(OutgoingPacket $one): int => \ord($one->bytes[112]) & 0x40,
            array_values(array_filter($left, static fn(OutgoingPacket $one): bool => $one->address === '127.0.0.14')),
        );
        self::assertSame([0x40, 0x40, 0x40], $bytes, 'Stream_Terminated three times (ANSI E1.31-2018, 6.2.6, from memory)');
    }

    public function testARouteBringsInTheSpareWhenTheMainWayIsLost(): void
    {
        $spare = [
            'id' => 'spare',
            'name' => 'Spare desk',
            'protocol' => 'sacn',
            'enabled' => false,
            'receive' => ['address' => '127.0.0.1', 'feeds' => [['number' => 2, 'universe' => 'palm']]],
        ];
        $route = [
            'id' => 'save',
            'name' => 'Bring in the spare',
            'when' => ['kind' => 'point', 'point' => 'port:house/alive', 'is' => 'lost'],
            'do' => [['kind' => 'set', 'point' => 'port:spare/enabled', 'value' => 1]],
        ];
        $rig = new Rig(['ports' => [...Rig::document()['ports'], $spare], 'routes' => [$route]]);
        $rig->artNet([1 => 200]);
        $rig->pass(1);
        self::assertSame(0, $this->read($rig, 'port:spare/enabled'));
        $rig->pass(14);
        self::assertSame(1, $this->read($rig, 'port:spare/enabled'));
        self::assertContains('spare', $rig->junction->plan()->endpoints[Rig::SACN]->portIds);
    }

    public function testASwitchLivesThroughRestartsAndEditsUntilTheShowSaysOtherwise(): void
    {
        $rig = new Rig();
        $this->set($rig, 'port:node/enabled', 0);
        $this->set($rig, 'route:out/enabled', 0);
        $state = json_decode(json_encode($rig->junction->rooms()->state($rig->nanos()), \JSON_THROW_ON_ERROR), true);
        $rig->adopt(['name' => 'Another name']);
        self::assertSame([0, 0], [$this->read($rig, 'port:node/enabled'), $this->read($rig, 'route:out/enabled')]);
        $again = new Rig();
        $again->junction->restore($state, $again->nanos());
        self::assertSame([0, 0], [$this->read($again, 'port:node/enabled'), $this->read($again, 'route:out/enabled')]);
        $again->artNet([1 => 9]);
        self::assertNotContains('127.0.0.14', self::receivers($again->pass(1)));
        $ports = Rig::document()['ports'];
        $ports[3]['enabled'] = false;
        $rig->adopt(['ports' => $ports]);
        $ports[3]['enabled'] = true;
        $rig->adopt(['ports' => $ports]);
        self::assertSame(1, $this->read($rig, 'port:node/enabled'), 'the show has said it anew');
    }

    public function testARouteThatTellsASlotIsSwitchedPressedAndCounted(): void
    {
        $rig = new Rig();
        $rig->artNet([5 => 100]);
        $rig->pass(0.1);
        self::assertSame(1, $this->read($rig, 'route:out/fired'));
        self::assertSame('', $this->set($rig, 'route:out/enabled', 0)[0]);
        $rig->artNet([5 => 50]);
        self::assertNotContains('127.0.0.15', self::receivers($rig->pass(1)));
        [, $told] = $this->set($rig, 'route:out/enabled', 1);
        self::assertSame(['127.0.0.15'], array_column($told, 'address'), 'what it missed is told');
        self::assertNotContains('127.0.0.15', self::receivers($rig->pass(1)));
        [$refusal, $told] = $rig->junction->press($this->point('route:out'), new Act('ada', 'Ada'), $rig->nanos());
        self::assertSame(['', ['127.0.0.15']], [$refusal, array_column($told, 'address')], 'pressed it tells anew');
        self::assertSame(3, $this->read($rig, 'route:out/fired'));
    }

    public function testWhatCannotBeSetIsSaid(): void
    {
        $rig = new Rig();
        foreach (['port:node/alive', 'port:gone/enabled', 'port:node/rate'] as $text) {
            self::assertSame('of a port only "enabled" can be set, to 0 or 1', $this->set($rig, $text, 1)[0], $text);
        }
        self::assertSame('of a port only "enabled" can be set, to 0 or 1', $this->set($rig, 'port:node/enabled', 'perhaps')[0]);
        self::assertTrue($rig->junction->points()->describe($this->point('port:node/enabled'))?->isSet);
        self::assertFalse($rig->junction->points()->describe($this->point('port:node/alive'))?->isSet);
    }

    /** @return array{string, list<OutgoingPacket>} */
    private function set(Rig $rig, string $point, int|string $value): array
    {
        return $rig->junction->set($this->point($point), $value, new Act('ada', 'Ada'), $rig->nanos());
    }

    private function read(Rig $rig, string $point): int|float|string|null
    {
        return $rig->junction->points()->read($this->point($point));
    }

    private function point(string $text): Reference
    {
        return Reference::parse($text) ?? throw new \LogicException($text);
    }

    /**
     * @param list<array{float, OutgoingPacket}> $left
     *
     * @return list<string> addresses
     */
    private static function receivers(array $left): array
    {
        return array_values(array_unique(array_map(static fn(array $one): string => $one[1]->address, $left)));
    }
}
