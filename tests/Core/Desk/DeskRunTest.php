<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Desk;

use NimbleJunction\Core\Live\Desk\DeskRun;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/** Lines that are sent one after the other: with their pause, stopped, answered, and over an edit; and a route that types one. */
final class DeskRunTest extends TestCase
{
    public function testLinesLeaveWithTheirPauseBetween(): void
    {
        $evening = self::evening();
        $lines = array_map(static fn(int $i): string => "go cue {$i}", range(1, 5));
        self::assertSame('', self::runOf($evening)->start('lines', $lines, 'Ada', $evening->rig->nanos()));
        $left = $evening->rig->pass(3.0);
        self::assertSame(['go cue 1', 'go cue 2', 'go cue 3', 'go cue 4', 'go cue 5'], self::said($left));
        $at = array_column(self::of($left), 0);
        foreach ($at as $i => $when) {
            self::assertEqualsWithDelta(0.5 * $i, $when - $at[0], 0.002, "line {$i}");
        }
        self::assertFalse(self::runOf($evening)->isRunning);
        self::assertSame([5, ''], [self::runOf($evening)->sent, self::runOf($evening)->why]);
        self::assertStringContainsString('Ada', json_encode($evening->rig->titles(), JSON_THROW_ON_ERROR), 'the trace says whose they are');
    }

    public function testItIsStoppedAndAnotherOneMayBegin(): void
    {
        $evening = self::evening();
        $run = self::runOf($evening);
        $run->start('lines', ['go cue 1', 'go cue 2', 'go cue 3'], 'Ada', $evening->rig->nanos());
        self::assertStringContainsString('already', $run->start('lines', ['go cue 9'], 'Bob', $evening->rig->nanos()));
        $evening->rig->pass(0.6);
        self::assertSame('', $run->stop());
        self::assertSame([], self::said($evening->rig->pass(2.0)));
        self::assertSame([2, 'somebody stopped it'], [$run->sent, $run->why]);
        self::assertSame('nothing is being sent', $run->stop());
        self::assertSame('', $run->start('lines', ['go cue 9'], 'Bob', $evening->rig->nanos()));
        self::assertSame(['go cue 9'], self::said($evening->rig->pass(0.1)));
    }

    public function testNothingLeavesWhereOneLineIsNotTaken(): void
    {
        $evening = self::evening();
        $run = self::runOf($evening);
        foreach ([
            ['lines', ['go cue 1', 'go cue x']],
            ['lines', []],
            ['gone', ['go cue 1']],
            ['lines', array_fill(0, DeskRun::MOST_LINES + 1, 'go cue 1')],
        ] as [$desk, $lines]) {
            self::assertNotSame('', $run->start($desk, $lines, 'Ada', $evening->rig->nanos()));
        }
        self::assertSame([], self::said($evening->rig->pass(1.0)));
    }

    public function testADeskThatIsGoneEndsItAndOneThatChangedGoesOnByWhatItTakesNow(): void
    {
        $evening = self::evening();
        $run = self::runOf($evening);
        $run->start('lines', ['go cue 1', 'go cue 2', 'go cue 3'], 'Ada', $evening->rig->nanos());
        $evening->rig->pass(0.1);
        $evening->rig->adopt([
            ...$evening->rig->document,
            'desks' => [self::desk(['forms' => [['line' => 'go cue {cue: 1-2}', 'sends' => 'G{cue}']]])],
        ]);
        self::assertSame(['G2'], self::said($evening->rig->pass(2.0)), 'what it does not take any more is not sent');
        $run->start('lines', ['go cue 1', 'go cue 2'], 'Ada', $evening->rig->nanos());
        $evening->rig->pass(0.1);
        $evening->rig->adopt([...$evening->rig->document, 'desks' => []]);
        self::assertSame([false, 'the desk is gone'], [$run->isRunning, $run->why]);
        self::assertSame([], self::said($evening->rig->pass(2.0)));
    }

    public function testWhatComesBackIsKeptInItsOrder(): void
    {
        $evening = self::evening();
        $run = self::runOf($evening);
        $evening->rig->osc('/before', 1);
        $run->start('lines', ['go cue 1', 'go cue 2'], 'Ada', $evening->rig->nanos());
        $evening->rig->pass(0.1);
        $evening->rig->osc('/said', 'one');
        $evening->rig->pass(0.5);
        $evening->rig->osc('/said', 'two');
        self::assertSame([[true, 'go cue 1'], [false, '/said "one"'], [true, 'go cue 2'], [false, '/said "two"']], $run->said);
        for ($i = 0; $i < 1000; ++$i) {
            $evening->rig->osc('/said', $i);
        }
        self::assertCount(400, $run->said, 'no more than anybody reads');
    }

    public function testARouteTypesWhatArrivesAndSaysWhyNot(): void
    {
        $evening = self::evening(['routes' => [[
            'id' => 'cue',
            'name' => 'Cue',
            'when' => [['kind' => 'osc', 'port' => 'tablet', 'address' => '/cue']],
            'do' => [['kind' => 'line', 'desk' => 'lines', 'line' => 'go cue {value}']],
        ]]]);
        $say = static fn(float $value): array => array_map(
            static fn(OutgoingPacket $one): array => [0.0, $one],
            $evening->rig->osc('/cue', $value),
        );
        self::assertSame(['go cue 7'], self::said($say(7.0)));
        self::assertSame([], self::said($say(1000.0)));
        self::assertStringContainsString('does not type', json_encode($evening->rig->allHops(), JSON_THROW_ON_ERROR));
    }

    private static function runOf(Evening $evening): DeskRun
    {
        return $evening->rig->junction->programme->deskRun;
    }

    /** @param array<string, mixed> $changes */
    private static function evening(array $changes = []): Evening
    {
        return new Evening(['desks' => [self::desk()], ...$changes]);
    }

    /**
     * @param array<string, mixed> $changes
     *
     * @return array<string, mixed>
     */
    private static function desk(array $changes = []): array
    {
        return [
            'id' => 'lines',
            'name' => 'Lines',
            'port' => 'tablet',
            'pause' => 0.5,
            'forms' => [['line' => 'go cue {cue: 1-99}']],
            ...$changes,
        ];
    }

    /**
     * @param list<array{float, OutgoingPacket}> $packets
     *
     * @return list<array{float, OutgoingPacket}>
     */
    private static function of(array $packets): array
    {
        return array_values(array_filter($packets, static fn(array $one): bool => str_starts_with($one[1]->bytes, "/line\0")));
    }

    /**
     * @param list<array{float, OutgoingPacket}> $packets
     *
     * @return list<string>
     */
    private static function said(array $packets): array
    {
        return array_map(
            static fn(array $one): string => (string) Message::decode($one[1]->bytes)->arguments[0]->value,
            self::of($packets),
        );
    }
}
