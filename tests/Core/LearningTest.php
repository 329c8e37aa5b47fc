<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Message\Bend;
use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Message\Program;
use NimbleJunction\Core\Message\ShowControl;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Learned;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Scope\Candidate;
use NimbleJunction\Core\Scope\SlotCandidate;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Wire\Midi\ShowCommand;
use NimbleJunction\Core\Wire\Midi\ShowControl as Control;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Whoever learns sees what was moved a moment before, and how far what moves now moves. */
final class LearningTest extends TestCase
{
    public function testWhatWasMovedAMomentBeforeIsThereToPick(): void
    {
        $rig = new Rig();
        $rig->osc('/old', 1);
        $rig->pass(61);
        $rig->osc('/lamp', 0.25);
        $rig->pass(5);
        $rig->osc('/other', 'text', 7);
        self::assertSame(['/other', '/lamp'], $this->addresses($rig));
    }

    public function testHowFarEachNumberMovedIsSaid(): void
    {
        $rig = new Rig();
        $this->addresses($rig);
        foreach ([0.5, 0.1, 0.9] as $level) {
            $rig->osc('/lamp', $level, 'name', 3);
            $rig->pass(0.1);
        }
        [$lamp] = $rig->junction->probes->learning->candidates('tablet', $rig->nanos());
        self::assertSame(3, $lamp->count);
        self::assertEqualsWithDelta([1 => ['low' => 0.1, 'high' => 0.9], 3 => ['low' => 3.0, 'high' => 3.0]], $lamp->moved, 1e-6);
        self::assertSame('/lamp 0.9 "name" 3', $lamp->last->spelled());
    }

    public function testItBeginsAnewWhenNobodyHasAskedForAWhile(): void
    {
        $rig = new Rig();
        $this->addresses($rig);
        $rig->osc('/lamp', 0.1);
        $rig->pass(2);
        self::assertSame(1, $rig->junction->probes->learning->candidates('tablet', $rig->nanos())[0]->count);
        $rig->osc('/lamp', 0.9);
        $rig->pass(90);
        self::assertSame([], $this->addresses($rig));
    }

    public function testAFloodOfAddressesIsBounded(): void
    {
        $rig = new Rig();
        $this->addresses($rig);
        for ($i = 0; $i < 300; ++$i) {
            $rig->osc("/a{$i}", 1);
            $rig->pass(0.001);
        }
        $addresses = $this->addresses($rig);
        self::assertCount(64, $addresses);
        self::assertSame('/a299', $addresses[0]);
    }

    /** A joystick's rotation wobbles beside the axis that is moved, and a heartbeat comes all the time. */
    public function testWhatIsMovedStandsFirstWhateverWobbles(): void
    {
        mt_srand(20);
        $right = 0;
        for ($trial = 0; $trial < 100; ++$trial) {
            $rig = new Rig();
            $this->addresses($rig);
            $from = mt_rand(0, 40) / 100;
            $to = $from + mt_rand(30, 60) / 100;
            $steps = mt_rand(8, 40);
            $noise = mt_rand(2, 25) / 100;
            $turn = mt_rand(0, 1) === 0 ? 0 : intdiv($steps, 2);
            for ($i = 0; $i <= $steps; ++$i) {
                $share = $turn > 0 && $i > $turn ? ($steps - $i) / max(1, $steps - $turn) : $i / ($turn > 0 ? $turn : $steps);
                $rig->osc('/stick/x', $from + $share * ($to - $from) + mt_rand(-10, 10) / 2000);
                $rig->osc('/stick/rotation', 0.5 + mt_rand(-1000, 1000) / 1000 * $noise);
                $rig->osc('/stick/y', 0.5 + mt_rand(-1000, 1000) / 1000 * $noise);
                $rig->osc('/alive', 1.0);
                $rig->pass(0.02);
            }
            $right += (int) ($this->addresses($rig)[0] === '/stick/x');
        }
        self::assertGreaterThanOrEqual(99, $right);
    }

    public function testAButtonStandsBeforeAHeartbeatThoughItIsPressedAgainAndAgain(): void
    {
        $rig = new Rig();
        $this->addresses($rig);
        for ($i = 0; $i < 12; ++$i) {
            $rig->osc('/button', (float) (($i + 1) % 2));
            $rig->osc('/alive', 1.0);
            $rig->pass(0.05);
        }
        self::assertSame(['/button', '/alive'], $this->addresses($rig));
    }

    public function testSlotsOfAUniverseAreLearnedToo(): void
    {
        $rig = new Rig();
        $rig->sacn([5 => 10, 9 => 7]);
        $slots = $rig->junction->probes->slots;
        $levels = static fn(): string => $rig->junction->universes()['palm']->levels;
        self::assertSame([], $slots->candidates('palm', $levels(), $rig->nanos()));
        for ($i = 1; $i < 20; ++$i) {
            $rig->sacn([5 => 10 + 10 * $i, 9 => 7 + $i % 2], sequence: $i);
            $rig->pass(0.02);
        }
        $found = array_map(
            static fn(SlotCandidate $one): array => [$one->slot + 1, $one->movement->low, $one->movement->high],
            $slots->candidates('palm', $levels(), $rig->nanos()),
        );
        self::assertSame([[5, 10.0, 200.0], [9, 7.0, 8.0]], $found);
        $rig->pass(4.0);
        self::assertSame([], $slots->candidates('palm', $levels(), $rig->nanos()), 'nobody has asked for a while');
    }

    /** @return iterable<string, array{Message, list<string>, array<string, mixed>}> a message, ways in words, the usual one as a trigger */
    public static function ways(): iterable
    {
        yield 'a note' => [
            new Note(1, 60, 99),
            ['this note at any velocity, and its end', 'this note when it begins', 'this note when it ends', 'exactly this: at velocity 99', 'note 60 (C4) on any channel', 'any note on this channel'],
            ['kind' => 'note', 'port' => 'p', 'channel' => 1, 'note' => 60],
        ];
        yield 'a number in an address' => [
            Osc::of('/cue/12/go', [1]),
            ['this address at any value', 'exactly this: with 1', 'this address with any number in it'],
            ['kind' => 'osc', 'port' => 'p', 'address' => '/cue/12/go'],
        ];
        yield 'a text' => [
            Osc::of('/say', ['hello']),
            ['this address with any text', 'exactly this: with "hello"'],
            ['kind' => 'osc', 'port' => 'p', 'address' => '/say', 'takes' => 'text'],
        ];
        yield 'show control' => [
            new ShowControl(new Control(ShowCommand::Go, 5, 1, '2.5', '1')),
            ['this command for this cue, for any device', 'this command for any cue', 'exactly this: for this device'],
            ['kind' => 'msc', 'port' => 'p', 'command' => 'go', 'cue' => '2.5', 'list' => '1'],
        ];
    }

    /**
     * @param list<string> $words
     * @param array<string, mixed> $usual
     */
    #[DataProvider('ways')]
    public function testHowStrictlyIsChosenInWords(Message $message, array $words, array $usual): void
    {
        $ways = Learned::ways('p', $message);
        self::assertSame($words, array_column($ways, 'words'));
        self::assertSame($usual, $ways[0]['part']);
    }

    /** Whatever the way, the trigger takes the message that it was learned from. */
    public function testEveryWayTakesWhatItWasLearnedFrom(): void
    {
        $cable = ['id' => 'p', 'name' => 'P', 'protocol' => 'midi', 'link' => ['kind' => 'cable', 'device' => 'p'], 'receive' => []];
        $tablet = ['id' => 'p', 'name' => 'P', 'protocol' => 'osc', 'receive' => ['port' => 8000]];
        foreach ([
            ...array_column(iterator_to_array(self::ways()), 0),
            new Program(1, 5),
            new Bend(2, 100),
            new Controller(1, 7, 3),
            new Controller(1, 7, 300, 14),
        ] as $message) {
            foreach (Learned::ways('p', $message) as $way) {
                $show = ShowReader::fromArray([...Rig::document(), 'ports' => [$message instanceof Osc ? $tablet : $cable], 'universes' => [['id' => 'palm', 'name' => 'Palm']], 'routes' => [
                    ['id' => 'r', 'name' => 'R', 'when' => $way['part'], 'do' => [['kind' => 'set', 'point' => 'slot:palm/1']]],
                ]]);
                $trigger = $show->routes['r']->route->triggers[0] ?? self::fail();
                $isEnd = $way['words'] === 'this note when it ends';
                self::assertSame(! $isEnd, $trigger->take(new Heard('p', $message)) instanceof Taken, $way['words']);
            }
        }
    }

    /** @return list<string> */
    private function addresses(Rig $rig): array
    {
        return array_map(
            static fn(Candidate $one): string => $one->last->address(),
            $rig->junction->probes->learning->candidates('tablet', $rig->nanos()),
        );
    }
}
