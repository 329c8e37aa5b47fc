<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Surface;

use NimbleJunction\Core\Panel\Display;
use NimbleJunction\Core\Panel\Handles;
use NimbleJunction\Core\Panel\LampColour;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Each kind of part of a panel: how it moves its control, and what it is told. */
final class HandlesTest extends TestCase
{
    private const CABLE = 'midi cable lectern';
    private const LEVEL = ['kind' => 'fader', 'points' => [['point' => 'fixture:a/level']]];
    private Evening $evening;

    public function testAFaderWithoutAMotorWaitsUntilItMeetsTheValueAndIsToldNothing(): void
    {
        $this->begin(['kind' => 'fader', 'motor' => false, 'takeOver' => 'pick-up'], self::LEVEL);
        $this->evening->set('fixture:a/level', 50);
        $this->controller(1, 10);
        self::assertEqualsWithDelta(50, $this->level(), 0.3);
        $this->controller(1, 60);
        self::assertEqualsWithDelta(50, $this->level(), 0.3, 'not there yet');
        $this->controller(1, 70);
        self::assertEqualsWithDelta(55.1, $this->level(), 0.3, 'it has crossed it');
        self::assertSame([], $this->told(fn() => $this->set('fixture:a/level', 20)));
    }

    public function testAFaderThatGoesAlongJumpsNowhereAndReachesItsEnd(): void
    {
        $this->begin(['kind' => 'fader', 'motor' => false, 'takeOver' => 'scaled'], self::LEVEL);
        $this->controller(1, 0);
        $this->evening->set('fixture:a/level', 50);
        $last = 50.0;
        for ($value = 1; $value <= 127; ++$value) {
            $this->controller(1, $value);
            self::assertLessThan(3.0, abs($this->level() - $last), "at {$value}");
            $last = $this->level();
        }
        self::assertEqualsWithDelta(100, $this->level(), 0.1);
    }

    public function testAFaderThatIsTurnedRound(): void
    {
        $this->begin(['kind' => 'fader', 'low' => 127, 'high' => 0], self::LEVEL);
        $this->controller(1, 127);
        self::assertEqualsWithDelta(0, $this->level(), 0.1);
        $this->controller(1, 0);
        self::assertEqualsWithDelta(100, $this->level(), 0.1);
        $this->evening->rig->pass(1.0);
        self::assertSame(['b0017f'], $this->told(fn() => $this->set('fixture:a/level', 0)));
    }

    public function testSmallDifferencesMoveNoMotor(): void
    {
        $this->begin(['kind' => 'fader', 'band' => 4], self::LEVEL);
        $this->set('fixture:a/level', 50);
        $this->evening->rig->pass(1.0);
        self::assertSame([], $this->told(fn() => $this->set('fixture:a/level', 52)));
        self::assertSame(['b00147'], $this->told(fn() => $this->set('fixture:a/level', 56)));
    }

    /** @return iterable<string, array{array<string, mixed>, list<int>, float}> the handle, steps as they come, where it ends from 50 */
    public static function encoders(): iterable
    {
        yield 'a step is one per cent' => [['kind' => 'encoder', 'most' => 1], [1, 1, 1], 53.0];
        yield 'up is down' => [['kind' => 'encoder', 'most' => 1, 'inverted' => true, 'size' => 2], [1, 1], 46.0];
        yield 'several at once' => [['kind' => 'encoder', 'most' => 1], [5, -2], 53.0];
        yield 'no further than its end' => [['kind' => 'encoder', 'most' => 1, 'size' => 10], [9], 100.0];
    }

    /**
     * @param array<string, mixed> $handle
     * @param list<int> $steps
     */
    #[DataProvider('encoders')]
    public function testAnEncoder(array $handle, array $steps, float $end): void
    {
        $this->begin(
            $handle,
            ['kind' => 'fader', 'points' => [['point' => 'fixture:c/level']]],
            ['kind' => 'relative', 'encoding' => 'twos-complement'],
        );
        $this->evening->set('fixture:c/level', 50);
        foreach ($steps as $step) {
            $this->controller(1, $step & 127);
            $this->evening->rig->pass(1.0);
        }
        self::assertEqualsWithDelta($end, $this->evening->read('fixture:c/level'), 0.01);
    }

    public function testAnEncoderTurnsAnEndlessKnob(): void
    {
        $this->begin(
            ['kind' => 'encoder', 'size' => 5, 'most' => 1],
            ['kind' => 'endless', 'points' => [['point' => 'fixture:c/level']]],
            ['kind' => 'relative', 'encoding' => 'twos-complement'],
            'turn',
        );
        $this->controller(1, 3);
        self::assertEqualsWithDelta(15.0, $this->evening->read('fixture:c/level'), 0.01);
    }

    public function testAnAxisStandsForAPlaceOrForASpeedAndRestsInItsDeadZone(): void
    {
        $this->begin(['kind' => 'axis', 'mode' => 'position'], self::LEVEL);
        $this->controller(1, 1);
        self::assertEqualsWithDelta(100, $this->level(), 0.1);
        $this->controller(1, 0);
        self::assertEqualsWithDelta(50, $this->level(), 0.3, 'its centre is the middle');
        $this->begin(['kind' => 'axis', 'mode' => 'speed', 'speed' => 30, 'inverted' => true, 'bend' => 1], self::LEVEL);
        $this->evening->set('fixture:a/level', 60);
        $this->controller(1, 1);
        $this->evening->rig->pass(1.0);
        self::assertEqualsWithDelta(30, $this->level(), 1.5, 'turned round it goes down');
        $this->begin(['kind' => 'axis', 'mode' => 'position', 'inverted' => true], self::LEVEL);
        $this->controller(1, 1);
        self::assertEqualsWithDelta(0, $this->level(), 0.1);
    }

    public function testAButtonHoldsWhatHasToBeHeldAndIsMomentaryWhereTheControlIs(): void
    {
        $lit = ['kind' => 'button', 'points' => [['point' => 'master:blackout']]];
        $this->begin(['kind' => 'button'], [...$lit, 'mode' => 'hold', 'seconds' => 1.0], ['kind' => 'note', 'note' => 36]);
        $this->note(127);
        $this->evening->rig->pass(0.5);
        $this->note(0);
        $this->evening->rig->pass(2.0);
        self::assertSame(0, $this->evening->read('master:blackout'), 'let go too early');
        $this->note(127);
        $this->evening->rig->pass(1.1);
        self::assertSame(1, $this->evening->read('master:blackout'));
        $this->begin(['kind' => 'button'], [...$lit, 'mode' => 'momentary'], ['kind' => 'note', 'note' => 36]);
        foreach ([[127, 1], [0, 0], [64, 1]] as [$velocity, $is]) {
            $this->note($velocity);
            self::assertSame($is, $this->evening->read('master:blackout'));
        }
    }

    public function testAButtonTapsATempoAndStepsAStepper(): void
    {
        $this->begin(
            ['kind' => 'button', 'lamp' => false],
            ['kind' => 'stepper', 'points' => [['point' => 'slot:palm/1']], 'step' => 20],
            ['kind' => 'note', 'note' => 36],
            'up',
        );
        $this->note(127);
        $this->note(0);
        $this->note(127);
        self::assertSame(40, $this->evening->levels()[0]);
    }

    public function testALampHasTheColourThatComesNearest(): void
    {
        $colours = [new LampColour('#ff0000', 5.0), new LampColour('#00ff00', 21.0), new LampColour('#ffffff', 3.0)];
        foreach (['#f01020' => 5.0, '#30c040' => 21.0, '#e0e0d0' => 3.0, '#d0a090' => 3.0] as $wanted => $value) {
            self::assertSame($value, LampColour::nearest($colours, $wanted), $wanted);
        }
        self::assertNull(LampColour::nearest($colours, ''));
        self::assertNull(LampColour::nearest([], '#ff0000'));
    }

    public function testDisplaysAreWrittenBySystemExclusiveOrByOsc(): void
    {
        $exclusive = new Display('name', '', '7d 01', 6);
        self::assertSame('f07d014665726e2020f7', bin2hex($exclusive->message('Fern', '40 %')->encode()));
        self::assertSame(
            'f07d013f66f7',
            bin2hex((new Display('name', '', '7d01', 2))->message('äf', '')->encode()),
            'what its letters do not have is a question mark',
        );
        self::assertSame(['40 %'], (new Display('value', '/text'))->message('Fern', '40 %')->arguments());
        self::assertSame(['Fern 40'], (new Display('name and value', '/text', length: 7))->message('Fern', '40 %')->arguments());
    }

    public function testADisabledPanelMovesNothingAndIsToldNothing(): void
    {
        $this->begin(['kind' => 'fader'], self::LEVEL, panel: ['enabled' => false]);
        $this->controller(1, 127);
        self::assertEqualsWithDelta(0, $this->level(), 0.1);
        self::assertSame([], $this->told(fn() => $this->set('fixture:a/level', 50)));
    }

    public function testPagesAreTurnedBothWaysAndSetAndEverythingIsToldAgainOnRequest(): void
    {
        $this->begin(['kind' => 'fader'], self::LEVEL, pages: 3);
        foreach ([['back', 3], ['next', 1], ['next', 2], ['back', 1]] as [$press, $page]) {
            self::assertSame('', $this->evening->press("panel:lectern/{$press}"));
            self::assertSame($page, $this->evening->read('panel:lectern/page'));
        }
        $this->evening->set('panel:lectern/page', 9);
        self::assertSame(3, $this->evening->read('panel:lectern/page'), 'no further than its last');
        $this->controller(1, 127);
        self::assertEqualsWithDelta(0, $this->level(), 0.1, 'nothing of that page is moved by it');
        $this->evening->set('panel:lectern/page', 1);
        $this->evening->rig->pass(1.0);
        $told = $this->told(
            fn() => $this->evening->rig->junction->press(
                Evening::point('panel:lectern/refresh'),
                new Act('x', 'X'),
                $this->evening->rig->nanos(),
            )[1],
        );
        self::assertSame(['b00100'], $told);
        self::assertSame('it can only be pressed', $this->evening->set('panel:lectern/next', 1));
        self::assertSame('a page is set, or pressed on and back', $this->evening->press('panel:lectern/page'));
    }

    public function testEveryKindOfPartHasAWordAndRefusesWhatItCannotMove(): void
    {
        self::assertSame(
            ['fader', 'button', 'encoder', 'axis'],
            array_map(static fn(string $class): string => $class::kind(), Handles::ALL),
        );
        $button = ['kind' => 'button', 'points' => [['point' => 'master:blackout']]];
        foreach ([
            ['fader', $button],
            ['encoder', $button],
            ['axis', $button],
            ['button', self::LEVEL],
            ['fader', ['kind' => 'text']],
            ['encoder', ['kind' => 'clock']],
        ] as [$handle, $does]) {
            try {
                $this->begin(['kind' => $handle, ...($handle === 'fader' ? ['motor' => false] : [])], $does);
                self::fail("{$handle} {$does['kind']}");
            } catch (ShowRefused $refused) {
                self::assertStringContainsString('cannot move that of', $refused->getMessage());
            }
        }
    }

    public function testWhatAPanelNamesHasToBeThere(): void
    {
        $when = ['kind' => 'controller', 'port' => 'nowhere', 'channel' => 1, 'controller' => 1];
        $panel = ['id' => 'p', 'name' => 'P', 'surface' => 'gone', 'oscPort' => 'house', 'parts' => [
            ['id' => 'x', 'when' => $when, 'does' => ['kind' => 'encoder']],
            ['id' => 'x', 'when' => $when, 'does' => ['kind' => 'encoder']],
            ['id' => 'm', 'when' => ['kind' => 'started'], 'does' => ['kind' => 'fader']],
        ]];
        try {
            ShowReader::fromArray([...Rig::document(), 'panels' => [$panel]]);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            $paths = array_column($refused->faults, 'path');
            foreach ([
                '/panels/0/surface',
                '/panels/0/oscPort',
                '/panels/0/parts/0/when/port',
                '/panels/0/parts/1/id',
                '/panels/0/parts/2/does',
            ] as $path) {
                self::assertContains($path, $paths);
            }
        }
    }

    /**
     * @param array<string, mixed> $handle
     * @param array<string, mixed> $does of the control
     * @param array<string, mixed> $when of the part
     * @param array<string, mixed> $panel
     */
    private function begin(
        array $handle,
        array $does,
        array $when = ['kind' => 'controller'],
        string $moves = '',
        array $panel = [],
        int $pages = 1,
    ): void {
        $number = ($when['kind'] ?? '') === 'note' ? [] : ['controller' => 1];
        $all = [[
            'id' => 'p1',
            'name' => 'One',
            'controls' => [['id' => 'a', 'name' => 'A', 'does' => $does, 'hardware' => [['part' => 'it', ...($moves === '' ? [] : ['moves' => $moves])]]]],
        ]];
        for ($i = 2; $i <= $pages; ++$i) {
            $all[] = ['id' => "p{$i}", 'name' => "Page {$i}"];
        }
        $this->evening = new Evening([
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'surfaces' => [['id' => 'guide', 'name' => 'Guide', 'pages' => $all]],
            'panels' => [['id' => 'lectern', 'name' => 'Lectern', 'surface' => 'guide', ...$panel, 'parts' => [
                ['id' => 'it', 'when' => ['port' => 'lectern', 'channel' => 1, ...$number, ...$when], 'does' => $handle],
            ]]],
        ]);
        $this->evening->rig->pass(0.2);
    }

    private function level(): float
    {
        return (float) $this->evening->read('fixture:a/level');
    }

    private function controller(int $controller, int $value): void
    {
        $this->evening->rig->arrive(self::CABLE, ChannelMessage::controlChange(1, $controller, $value)->encode(), '');
    }

    private function note(int $velocity): void
    {
        $message = $velocity > 0 ? ChannelMessage::noteOn(1, 36, $velocity) : ChannelMessage::noteOff(1, 36);
        $this->evening->rig->arrive(self::CABLE, $message->encode(), '');
    }

    /** @return list<\NimbleJunction\Core\Port\OutgoingPacket> */
    private function set(string $point, float $value): array
    {
        return $this->evening->rig->junction->set(
            Evening::point($point),
            $value,
            new Act('person', 'Ada'),
            $this->evening->rig->nanos(),
        )[1];
    }

    /**
     * @param \Closure(): list<\NimbleJunction\Core\Port\OutgoingPacket> $do
     *
     * @return list<string> what the panel is told because of it, in hexadecimal
     */
    private function told(\Closure $do): array
    {
        $packets = [...$do(), ...array_map(static fn(array $one) => $one[1], $this->evening->rig->pass(0.5))];

        return array_values(array_map(
            static fn($one): string => bin2hex($one->bytes),
            array_filter($packets, static fn($one): bool => $one->portId === 'lectern'),
        ));
    }
}
