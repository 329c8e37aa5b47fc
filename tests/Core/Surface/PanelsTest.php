<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Surface;

use NimbleJunction\Core\Panel\OscLayout;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Panels with motors, lamps, encoders and displays: bound like controls on a screen, in both directions, with pages. */
final class PanelsTest extends TestCase
{
    private const CABLE = 'midi cable lectern';

    /** @var list<string> what the panel was told, in hexadecimal */
    private array $told = [];
    private Evening $evening;

    public function testAFaderMovesItsControlAndItsMotorFollowsWhateverElseMovesIt(): void
    {
        $this->begin();
        self::assertSame(['f07d0141202020202020f7', 'b00100', '802440'], $this->told(), 'told all of its page at first');
        $this->fader(1, 127);
        self::assertSame(255, $this->evening->levels()[0]);
        self::assertSame([], $this->told(), 'never while a hand is on it');
        $this->evening->rig->pass(1.0);
        $this->set('surface:guide/a', 50);
        self::assertSame(['b00140'], $this->told(), 'the screen moves it');
        $this->evening->rig->pass(1.0);
        $this->collect(array_map(static fn($packet): array => [0.0, $packet], $this->evening->rig->artNet([1 => 255])));
        self::assertSame(['b0017f'], $this->told(), 'a desk moves it');
    }

    public function testAButtonTurnsThePageAndAllOfItIsToldAnewWithTheColoursOfItsLamps(): void
    {
        $this->begin();
        $this->told();
        $this->button(36, 127);
        $this->button(36, 0);
        self::assertSame(1, $this->evening->read('master:blackout'));
        self::assertSame(
            ['902405', '902405'],
            $this->told(),
            'red is 5 at this panel; it is told again as the button comes up, which may have put its lamp out',
        );
        $this->button(40, 127);
        self::assertSame(2, $this->evening->read('panel:lectern/page'));
        self::assertSame(['f07d0142202020202020f7', 'b00100'], $this->told());
        $this->fader(1, 64);
        self::assertEqualsWithDelta(
            [0.0, 50.4],
            [$this->evening->read('fixture:a/level'), $this->evening->read('fixture:b/level')],
            0.3,
            'it moves what is on that page',
        );
        $this->button(40, 127);
        self::assertSame(1, $this->evening->read('panel:lectern/page'), 'after the last page comes the first');
        self::assertContains('902405', $this->told());
        self::assertSame(1, $this->evening->restarted()->read('panel:lectern/page'));
    }

    public function testAnEncoderAddsToWhereItsPointIsAndFastStepsCountForMore(): void
    {
        $this->begin();
        $this->evening->set('fixture:c/level', 40);
        $this->encoder(16, 1);
        self::assertEqualsWithDelta(42.0, $this->evening->read('fixture:c/level'), 0.01);
        $this->evening->rig->pass(1.0);
        $this->encoder(16, -2);
        self::assertEqualsWithDelta(38.0, $this->evening->read('fixture:c/level'), 0.01);
        $this->evening->rig->pass(0.02);
        $this->encoder(16, 1);
        self::assertEqualsWithDelta(38.0 + 2 * 4, $this->evening->read('fixture:c/level'), 0.01, 'at most four times');
    }

    public function testAStickSetsHowFastItGoesAndStandsInItsMiddle(): void
    {
        $this->begin(
            ['hardware' => [['part' => 'stick-x']], 'does' => ['kind' => 'fader', 'points' => [['point' => 'fixture:a/level']]]],
            [['id' => 'stick-x', 'when' => ['kind' => 'controller', 'port' => 'lectern', 'channel' => 2, 'controller' => 1], 'does' => ['kind' => 'axis', 'speed' => 40, 'dead' => 0.1, 'bend' => 1]]],
        );
        $this->arrive(ChannelMessage::controlChange(2, 1, 1));
        $this->evening->rig->pass(1.0);
        self::assertEqualsWithDelta(40.0, $this->evening->read('fixture:a/level'), 1.5);
        $this->arrive(ChannelMessage::controlChange(2, 1, 0));
        $at = $this->evening->read('fixture:a/level');
        $this->evening->rig->pass(1.0);
        self::assertSame($at, $this->evening->read('fixture:a/level'));
        $this->set('surface:guide/a', 90);
        $this->arrive(ChannelMessage::controlChange(2, 1, 1));
        $this->evening->rig->pass(0.2);
        self::assertEqualsWithDelta(98.0, $this->evening->read('fixture:a/level'), 1.5, 'it goes on from where others have moved it');
    }

    public function testAPanelThatEchoesAndJittersEndsAtTheValueOfTheLastHandAndStandsStill(): void
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            mt_srand($seed);
            $this->begin();
            $this->told();
            $last = 0.0;
            // What the panel says comes in order, and late by up to a fifth of a second: its own moves, and the echo of all it is told.
            $onItsWay = [];
            $due = 0;
            for ($tick = 0; $tick < 900; ++$tick) {
                $this->collect($this->evening->rig->pass(0.01));
                // Of two hands within the panel's own delay nobody can say which was the last: that one comes alone.
                if ($tick === 660 || ($tick < 600 && mt_rand(0, 30) === 0)) {
                    $value = mt_rand(0, 127);
                    if (mt_rand(0, 1) === 1) {
                        $this->set('surface:guide/a', $last = $value / 1.27);
                    } else {
                        $last = $value / 1.27;
                        $onItsWay[] = [$due = max($due, $tick + mt_rand(0, 20)), $value];
                    }
                }
                foreach ($this->told as $hex) {
                    if (str_starts_with($hex, 'b001')) {
                        $onItsWay[] = [$due = max($due, $tick + mt_rand(0, 20)), (int) hexdec(substr($hex, 4))];
                    }
                }
                $this->told = [];
                while ($onItsWay !== [] && $onItsWay[0][0] <= $tick) {
                    $this->fader(1, array_shift($onItsWay)[1]);
                }
            }
            $this->told();
            $this->evening->rig->pass(3.0);
            self::assertSame([], $this->told(), "seed {$seed}: it stands still");
            self::assertEqualsWithDelta($last, $this->evening->read('surface:guide/a'), 0.8, "seed {$seed}: where the last hand left it");
        }
    }

    public function testADisplayIsWrittenNoMoreOftenThanItCanBeReadAndEndsAtTheLastValue(): void
    {
        $look = ['id' => 'slow', 'name' => 'Slow', 'fadeIn' => 2, 'values' => Evening::values(['fixture:a/level' => 100])];
        $this->begin(
            ['hardware' => [['part' => 'fader-9']]],
            [['id' => 'fader-9', 'when' => ['kind' => 'controller', 'port' => 'lectern', 'channel' => 1, 'controller' => 9], 'does' => ['kind' => 'fader'], 'display' => ['shows' => 'value', 'before' => '7d 01', 'length' => 6]]],
            ['looks' => [$look]],
        );
        $this->told();
        $this->evening->press('look:slow');
        $this->collect($this->evening->rig->pass(3.0));
        $texts = array_values(array_filter($this->told, static fn(string $hex): bool => str_starts_with($hex, 'f07d01')));
        self::assertThat(
            \count($texts),
            self::logicalAnd(self::greaterThan(15), self::lessThanOrEqual(22)),
            'ten times a second at most, and once more at the end',
        );
        self::assertStringContainsString('100', (string) hex2bin(substr((string) end($texts), 6, -2)));
        self::assertGreaterThan(40, \count($this->told) - \count($texts), 'its motor is not held up');
    }

    public function testASlowFadeMovesTheMotorNoMoreOftenThanItHasSteps(): void
    {
        $look = ['id' => 'slow', 'name' => 'Slow', 'fadeIn' => 10, 'values' => Evening::values(['fixture:a/level' => 100])];
        $this->begin(changes: ['looks' => [$look]]);
        $this->told();
        $this->evening->press('look:slow');
        $this->collect($this->evening->rig->pass(11.0));
        $moves = array_values(array_filter($this->told, static fn(string $hex): bool => str_starts_with($hex, 'b001')));
        self::assertLessThanOrEqual(127, \count($moves));
        self::assertGreaterThan(100, \count($moves));
        $values = array_map(static fn(string $hex): int => (int) hexdec(substr($hex, 4)), $moves);
        $sorted = $values;
        sort($sorted);
        self::assertSame($sorted, $values, 'no rattle');
        self::assertSame(127, end($values));
    }

    public function testATabletProgramOfAnyMakerIsToldNamesValuesAndColoursAndMovesControlsByOsc(): void
    {
        $this->begin(changes: ['panels' => [[
            'id' => 'pad',
            'name' => 'Pad',
            'surface' => 'guide',
            'oscPort' => 'tablet',
            'oscAddress' => '/walk',
        ]]]);
        $told = function (array $packets): array {
            $messages = array_map(
                static fn($packet): Message => Message::decode($packet->bytes),
                array_values(array_filter($packets, static fn($packet): bool => $packet->portId === 'tablet')),
            );

            return array_map(static fn(Message $one): string => "{$one->address} {$one->arguments[0]->value}", $messages);
        };
        $all = ['/walk/a/name A', '/walk/a/colour #10282c', '/walk/a/text 0 %', '/walk/a 0'];
        $rig = $this->evening->rig;
        self::assertSame($all, array_values(array_intersect($told($rig->osc('/walk/refresh', 1)), $all)));
        $rig->pass(1.0);
        $rig->osc('/walk/a', 0.5);
        self::assertEqualsWithDelta(50.0, $this->evening->read('fixture:a/level'), 0.3);
        $rig->pass(1.0);
        $rig->osc('/walk/dark', 1.0);
        self::assertSame(1, $this->evening->read('master:blackout'));
        $rig->osc('/walk/dark', 0.0);
        self::assertSame(1, $this->evening->read('master:blackout'), 'letting go does nothing');
        $rig->pass(1.0);
        $left = $told($rig->junction->set(Evening::point('master:blackout'), 0, new Act('person', 'Ada'), $rig->nanos())[1]);
        self::assertSame(['/walk/dark/colour #10282c', '/walk/dark/text off', '/walk/dark 0'], $left);
        $show = ShowReader::fromArray($rig->document);
        $lines = (new OscLayout($show->panels['pad'], $show->surfaces['guide']))->lines();
        self::assertContains(['/walk/dark', 'both', '0 or 1', 'DARK', 'One'], $lines);
        self::assertContains(['/walk/b/text', 'from us', 'a text: its value, in words', 'B', 'Two'], $lines);
    }

    public function testByOscAMomentaryButtonComesUpAndAPadHasTwoAddresses(): void
    {
        $pad = [
            'id' => 'laser',
            'name' => 'Laser',
            'column' => 4,
            'does' => ['kind' => 'pad', 'across' => [['point' => 'fixture:h/pan']], 'up' => [['point' => 'fixture:b/level']]],
        ];
        $bell = [
            'id' => 'bell',
            'name' => 'Bell',
            'column' => 5,
            'does' => ['kind' => 'button', 'mode' => 'momentary', 'points' => [['point' => 'fixture:a/level']]],
        ];
        $tempo = ['id' => 'beat', 'name' => 'Beat', 'column' => 6, 'does' => ['kind' => 'tempo', 'tempo' => 'main']];
        $this->begin(changes: [
            'tempos' => [['id' => 'main', 'name' => 'Main', 'start' => 90]],
            'surfaces' => [['id' => 'guide', 'name' => 'Guide', 'pages' => [['id' => 'one', 'name' => 'One', 'controls' => [$pad, $bell, $tempo]]]]],
            'panels' => [['id' => 'pad', 'name' => 'Pad', 'surface' => 'guide', 'oscPort' => 'tablet']],
        ]);
        $rig = $this->evening->rig;
        foreach ([[1.0, 100.0], [0.0, 0.0]] as [$value, $level]) {
            $rig->osc('/guide/bell', $value);
            self::assertEqualsWithDelta($level, $this->evening->read('fixture:a/level'), 0.1);
        }
        $rig->osc('/guide/laser/across', 0.25);
        $rig->osc('/guide/laser/up', 0.75);
        self::assertEqualsWithDelta([25.0, 75.0], [$this->evening->read('fixture:h/pan'), $this->evening->read('fixture:b/level')], 0.3);
        for ($tap = 0; $tap < 5; ++$tap) {
            $rig->osc('/guide/beat', 1.0);
            $rig->osc('/guide/beat', 0.0);
            $rig->pass(0.5);
        }
        self::assertEqualsWithDelta(120.0, $this->evening->read('tempo:main'), 0.5);
        $show = ShowReader::fromArray($rig->document);
        $addresses = array_column((new OscLayout($show->panels['pad'], $show->surfaces['guide']))->lines(), 0);
        self::assertSame(['/guide/refresh', '/guide/laser/across', '/guide/laser/across/name'], \array_slice($addresses, 0, 3));
        self::assertContains('/guide/beat', $addresses);
        self::assertNotContains('/guide/beat/text', $addresses, 'nothing is told of what is only pressed');
    }

    public function testADeskThatMovesAPageThatIsNotShownMovesNoMotor(): void
    {
        $this->begin();
        $this->told();
        $this->collect(array_map(static fn($packet): array => [0.0, $packet], $this->evening->rig->artNet([2 => 200])));
        self::assertSame([], $this->told(), 'fixture b is on the second page');
        [, $packets] = $this->evening->rig->junction->press(
            Evening::point('panel:lectern/next'),
            new Act('person', 'Ada'),
            $this->evening->rig->nanos(),
        );
        $this->collect(array_map(static fn($packet): array => [0.0, $packet], $packets));
        self::assertContains('b00164', $this->told(), 'there it is told where it is');
    }

    public function testWhatCannotBeMovedSoIsRefusedWithItsPlace(): void
    {
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage('/surfaces/0/pages/0/controls/0/hardware/0: "turn" cannot move that of "A"');
        $this->begin(['hardware' => [['part' => 'turn']]]);
    }

    /**
     * @param array<string, mixed> $first of the first control
     * @param list<array<string, mixed>> $parts of the panel besides
     * @param array<string, mixed> $changes
     */
    private function begin(array $first = [], array $parts = [], array $changes = []): void
    {
        $midi = static fn(string $kind, array $more): array => ['kind' => $kind, 'port' => 'lectern', 'channel' => 1, ...$more];
        $fader = static fn(string $point): array => ['kind' => 'fader', 'points' => [['point' => $point]]];
        $control = static fn(string $id, int $column, array $does, string $part, array $more = []): array => [
            'id' => $id,
            'name' => strtoupper($id),
            'column' => $column,
            'does' => $does,
            'hardware' => [['part' => $part]],
            ...$more,
        ];
        $this->told = [];
        $this->evening = new Evening([
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'surfaces' => [['id' => 'guide', 'name' => 'Guide', 'pages' => [
                ['id' => 'one', 'name' => 'One', 'controls' => [
                    [...$control('a', 1, $fader('fixture:a/level'), 'fader-1'), ...$first],
                    $control(
                        'dark',
                        2,
                        ['kind' => 'button', 'points' => [['point' => 'master:blackout']]],
                        'button-1',
                        ['colour' => '#e01010'],
                    ),
                    $control('c', 3, $fader('fixture:c/level'), 'wheel'),
                ]],
                ['id' => 'two', 'name' => 'Two', 'controls' => [$control('b', 1, $fader('fixture:b/level'), 'fader-1')]],
            ]]],
            'panels' => [['id' => 'lectern', 'name' => 'Lectern', 'surface' => 'guide', 'parts' => [
                ['id' => 'fader-1', 'when' => $midi('controller', ['controller' => 1]), 'does' => ['kind' => 'fader'], 'display' => ['before' => '7d 01']],
                ['id' => 'button-1', 'when' => $midi('note', ['note' => 36]), 'does' => ['kind' => 'button', 'colours' => [['colour' => '#00ff00', 'value' => 21], ['colour' => '#ff0000', 'value' => 5]]]],
                ['id' => 'wheel', 'when' => $midi('relative', ['controller' => 16, 'encoding' => 'twos-complement']), 'does' => ['kind' => 'encoder', 'size' => 2, 'most' => 4]],
                ['id' => 'turn', 'when' => $midi('note', ['note' => 40]), 'does' => ['kind' => 'button', 'turns' => 'next', 'lamp' => false]],
                ...$parts,
            ]]],
            ...$changes,
        ]);
        $this->collect($this->evening->rig->pass(0.1));
    }

    private function set(string $point, float $value): void
    {
        [, $packets] = $this->evening->rig->junction->set(
            Evening::point($point),
            $value,
            new Act('person', 'Ada'),
            $this->evening->rig->nanos(),
        );
        $this->collect(array_map(static fn($packet): array => [0.0, $packet], $packets));
    }

    private function fader(int $controller, int $value): void
    {
        $this->arrive(ChannelMessage::controlChange(1, $controller, $value));
    }

    private function button(int $note, int $velocity): void
    {
        $this->arrive($velocity > 0 ? ChannelMessage::noteOn(1, $note, $velocity) : ChannelMessage::noteOff(1, $note));
    }

    private function encoder(int $controller, int $steps): void
    {
        $this->arrive(ChannelMessage::controlChange(1, $controller, $steps & 127));
    }

    private function arrive(ChannelMessage $message): void
    {
        foreach ($this->evening->rig->arrive(self::CABLE, $message->encode(), '') as $packet) {
            if ($packet->portId === 'lectern') {
                $this->told[] = bin2hex($packet->bytes);
            }
        }
    }

    /** @param list<array{float, \NimbleJunction\Core\Port\OutgoingPacket}> $left */
    private function collect(array $left): void
    {
        foreach ($left as [, $packet]) {
            if ($packet->portId === 'lectern') {
                $this->told[] = bin2hex($packet->bytes);
            }
        }
    }

    /** @return list<string> what it was told since this was asked last */
    private function told(): array
    {
        $this->collect($this->evening->rig->pass(0.06));
        $told = $this->told;
        $this->told = [];

        return $told;
    }
}
