<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\StandIn;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Wire\Midi\MidiMessage;
use NimbleJunction\Core\Wire\Midi\StreamParser;
use NimbleJunction\StandIn\LecternPanel;
use NimbleJunction\StandIn\Link\MidiLink;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** The lectern's panel with its motors, and a junction that moves them: how often, and never against a hand. */
final class MotorPanelTest extends TestCase
{
    private const CABLE = 'midi cable lectern';
    private Evening $evening;
    private LecternPanel $panel;

    /** What plugs the panel into the junction: bytes there and back, at once. */
    private MidiLink $link;

    protected function setUp(): void
    {
        $this->link = new class () implements MidiLink {
            /** @var (\Closure(string): void)|null */
            public ?\Closure $out = null;

            /** @var (\Closure(MidiMessage): void)|null */
            public ?\Closure $in = null;

            public function start(\Closure $heard): void
            {
                $this->in = $heard;
            }

            public function stop(): void
            {
            }

            public function isOpen(): bool
            {
                return true;
            }

            public function spelled(): string
            {
                return 'here';
            }

            public function send(string $bytes): void
            {
                $this->out !== null && ($this->out)($bytes);
            }
        };
        $says = static fn(array $more): array => ['port' => 'lectern', 'channel' => 1, ...$more];
        $fader = static fn(string $id, int $column, string $point, string $part): array => [
            'id' => $id,
            'name' => $id,
            'column' => $column,
            'does' => ['kind' => 'fader', 'points' => [['point' => $point]]],
            'hardware' => [['part' => $part]],
        ];
        $this->evening = new Evening([
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'looks' => [['id' => 'slow', 'name' => 'Slow', 'fadeIn' => 10, 'values' => Evening::values(['fixture:a/level' => 100, 'fixture:c/level' => 30])]],
            'surfaces' => [['id' => 'guide', 'name' => 'Guide', 'pages' => [['id' => 'p', 'name' => 'P', 'controls' => [$fader('a', 1, 'fixture:a/level', 'one'), $fader('c', 2, 'fixture:c/level', 'two')]]]]],
            'panels' => [['id' => 'lectern', 'name' => 'Lectern', 'surface' => 'guide', 'parts' => [
                ['id' => 'one', 'when' => $says(['kind' => 'controller', 'controller' => 1]), 'does' => ['kind' => 'fader']],
                ['id' => 'two', 'when' => $says(['kind' => 'controller', 'controller' => 2]), 'does' => ['kind' => 'fader']],
            ]]],
        ]);
        $this->panel = new LecternPanel('lectern', 'Lectern', $this->link);
        $this->panel->start();
        $this->link->out = fn(string $bytes) => $this->carry($this->evening->rig->arrive(self::CABLE, $bytes, ''));
        $this->pass(1.0);
    }

    public function testASlowFadeMovesItsMotorOnceAStepAtMostAndNeverBack(): void
    {
        $before = $this->moves();
        $this->evening->press('look:slow');
        $last = 0;
        for ($i = 0; $i < 1100; ++$i) {
            $this->pass(0.01);
            $at = $this->panel->state()['faders'][0];
            self::assertGreaterThanOrEqual($last, $at, 'no rattle');
            $last = $at;
        }
        self::assertSame([127, 38], \array_slice($this->panel->state()['faders'], 0, 2));
        self::assertLessThanOrEqual(127 + 38, $this->moves() - $before);
        self::assertGreaterThan(100, $this->moves() - $before, 'it goes along, and does not jump at the end');
    }

    public function testAHandOnTheFaderIsLeftAloneAndTheMotorComesAfterIt(): void
    {
        $this->panel->play('fader', ['fader' => 1, 'level' => 64]);
        self::assertEqualsWithDelta(50.4, $this->evening->read('surface:guide/a'), 0.4);
        $this->set(10.0);
        self::assertSame(64, $this->panel->state()['faders'][0], 'a hand was there a moment ago');
        $this->pass(0.5);
        self::assertSame(13, $this->panel->state()['faders'][0]);
        $this->pass(3.0);
        self::assertEqualsWithDelta(10.2, $this->evening->read('surface:guide/a'), 0.4, 'what the motor did moved nothing');
    }

    public function testThePanelStandsStillWhenNothingMoves(): void
    {
        $this->set(70.0);
        $this->pass(1.0);
        $before = $this->moves();
        for ($i = 0; $i < 20; ++$i) {
            $this->set(70.0);
            $this->pass(0.5);
        }
        self::assertSame($before, $this->moves());
    }

    private function set(float $value): void
    {
        $this->carry(
            $this->evening->rig->junction->set(
                Evening::point('surface:guide/a'),
                $value,
                new Act('person', 'Ada'),
                $this->evening->rig->nanos(),
            )[1],
        );
    }

    private function pass(float $seconds): void
    {
        $this->carry(array_map(static fn(array $one): OutgoingPacket => $one[1], $this->evening->rig->pass($seconds)));
    }

    private function moves(): int
    {
        return $this->panel->state()['moves'];
    }

    /** @param list<OutgoingPacket> $packets */
    private function carry(array $packets): void
    {
        foreach ($packets as $packet) {
            if ($packet->portId === 'lectern' && $this->link->in !== null) {
                foreach ((new StreamParser())->push($packet->bytes) as $heard) {
                    self::assertInstanceOf(MidiMessage::class, $heard->what);
                    ($this->link->in)($heard->what);
                }
            }
        }
    }
}
