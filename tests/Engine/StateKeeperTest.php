<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Engine\StateFile;
use NimbleJunction\Engine\StateKeeper;
use NimbleJunction\Engine\Surfaces\SentAway;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;
use Revolt\EventLoop;
use Symfony\Component\Process\Process;

/** What is kept for a restart, and when: what somebody did at once, the rest a moment later, and only what has changed. */
final class StateKeeperTest extends TestCase
{
    private const SHOW = [
        'values' => [
            ['id' => 'open', 'name' => 'House open', 'type' => 'switch'],
            ['id' => '7', 'name' => 'A number for a name', 'type' => 'number'],
        ],
        'routes' => [
            [
                'id' => 'r',
                'name' => 'R',
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
                'do' => [['kind' => 'set', 'point' => 'slot:palm/9']],
            ],
        ],
    ];

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/junction-keeper-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->mustRun();
    }

    /** It is put together of pieces: what comes of them is what the junction says in one piece. */
    public function testWhatIsWrittenIsWhatTheJunctionSays(): void
    {
        $rig = $this->rig();
        $keeper = new StateKeeper($rig->junction, $this->file());
        foreach ([1, 2] as $round) {
            $rig->artNet([1 => 100 + $round]);
            $rig->osc('/a', 40.0 + $round);
            $rig->junction->set($this->point('value:7'), 50 + $round, new Act('ada', 'Ada'), $rig->nanos());
            $keeper->stop();
            $stored = $this->file()->read()['state'];
            self::assertSame(
                [
                    'universes',
                    'feedback',
                    'lastSenders',
                    'sequences',
                    'fired',
                    'outages',
                    'minds', 'courses', 'showings',
                    'holds',
                    'values',
                    'controls',
                    'panels',
                    'switched',
                    'switchedPorts',
                    'looks',
                    'lists',
                    'masters',
                    'programme',
                    'tempos',
                    'waves',
                    'timecodes',
                    'timelines',
                    'recording',
                    'timetable',
                    'sentAway',
                ],
                array_keys($stored),
            );
            self::assertEquals(
                [...json_decode(json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR), true), 'sentAway' => []],
                $stored,
                "round {$round}",
            );
        }
    }

    public function testEverythingThatSomebodyDidGoesOnAfterARestart(): void
    {
        $rig = $this->rig();
        $rig->osc('/a', 99.0);
        $rig->osc('/a', 98.0);
        $rig->junction->hold('palm', [new Hold(2, 77, 'Ada', $rig->nanos() + 60_000_000_000)], $rig->nanos());
        foreach (['value:open' => 1, 'route:r/enabled' => 0] as $point => $value) {
            self::assertSame('', $rig->junction->set($this->point($point), $value, new Act('ada', 'Ada'), $rig->nanos())[0]);
        }
        (new StateKeeper($rig->junction, $this->file()))->stop();
        $again = $this->rig();
        (new StateKeeper($again->junction, $this->file()))->restore($again->nanos());
        $read = fn(string $point): mixed => $again->junction->points()->read($this->point($point));
        self::assertSame([98, 77], $again->levelsOf(9, 3));
        self::assertSame([1, 0, 2], [$read('value:open'), $read('route:r/enabled'), $read('route:r/fired')]);
        $again->osc('/a', 10.0);
        self::assertSame(98, $again->level(9), 'the route is still switched off');
        $again->pass(61);
        self::assertSame(0, $again->level(3), 'the hold ends when it would have');
    }

    public function testWhoWasSentAwayStaysAwayAfterARestart(): void
    {
        $rig = $this->rig();
        $away = new SentAway();
        $keeper = new StateKeeper($rig->junction, $this->file(), $away);
        array_map($away->add(...), ['', 'first', 'second']);
        $keeper->stop();
        $again = new SentAway();
        (new StateKeeper($this->rig()->junction, $this->file(), $again))->restore($rig->nanos());
        self::assertSame([true, true, false, false], array_map($again->is(...), ['first', 'second', 'third', '']));
    }

    public function testADeedIsWrittenAtOnceAndWhatDoesNotChangeIsNotWrittenAgain(): void
    {
        $rig = $this->rig();
        $keeper = new StateKeeper($rig->junction, $this->file());
        $keeper->start();
        try {
            $rig->junction->press($this->point('value:open'), new Act('ada', 'Ada'), $rig->nanos());
            $this->runs(fn(): bool => ($this->file()->read()['state']['values']['open'] ?? null) === 1, 'The value being kept');
            $first = (string) file_get_contents("{$this->folder}/state");
            $rig->artNet([1 => 9]);
            $this->runs(fn(): bool => isset($this->file()->read()['state']['universes']['palm']), 'The levels being kept');
            self::assertNotSame($first, file_get_contents("{$this->folder}/state"));
            // What is written now says when it was written: if nothing is written again, it stays what it is.
            $second = file_get_contents("{$this->folder}/state");
            $rounds = 0;
            $counter = EventLoop::repeat(0.05, static function () use (&$rounds): void {
                ++$rounds;
            });
            $this->runs(static function () use (&$rounds): bool {
                return $rounds >= 30;
            }, 'Thirty looks');
            EventLoop::cancel($counter);
            self::assertSame($second, file_get_contents("{$this->folder}/state"));
        } finally {
            $keeper->stop();
        }
    }

    public function testWhatCouldNotBeWrittenIsTriedAgain(): void
    {
        $rig = $this->rig();
        $keeper = new StateKeeper($rig->junction, $this->file());
        mkdir("{$this->folder}/state.next");
        $rig->junction->press($this->point('value:open'), new Act('ada', 'Ada'), $rig->nanos());
        $keeper->look();
        self::assertFileDoesNotExist("{$this->folder}/state");
        rmdir("{$this->folder}/state.next");
        $keeper->start();
        $this->runs(fn(): bool => ($this->file()->read()['state']['values']['open'] ?? null) === 1, 'The value being kept');
        $keeper->stop();
    }

    /** Runs the loop until it is so. */
    private function runs(\Closure $isSo, string $what): void
    {
        $suspension = EventLoop::getSuspension();
        $began = microtime(true);
        $late = false;
        $watch = EventLoop::repeat(0.02, static function () use ($isSo, $suspension, $began, &$late): void {
            $late = microtime(true) - $began > Background::PATIENCE;
            if ($late || $isSo()) {
                $suspension->resume();
            }
        });
        $suspension->suspend();
        EventLoop::cancel($watch);
        self::assertFalse($late, "{$what} did not happen");
    }

    private function rig(): Rig
    {
        $rig = new Rig(self::SHOW);
        // What is kept says how long a hold still lasts by the clock of the machine.
        $rig->now = hrtime(true) / 1e9;

        return $rig;
    }

    /** Levels that move all the time wear no disk where there is a place in memory; what somebody does is on the disk within a second. */
    public function testLevelsGoIntoMemoryAndDeedsOntoTheDisk(): void
    {
        $rig = $this->rig();
        $inMemory = new StateFile("{$this->folder}/in-memory");
        $keeper = new StateKeeper($rig->junction, $this->file(), new SentAway(), $inMemory);
        $keeper->start();
        $written = ['state' => [], 'in-memory' => []];
        $level = 0;
        $moves = EventLoop::repeat(0.02, function () use ($rig, &$written, &$level): void {
            $rig->artNet([1 => ++$level % 256, 2 => 255 - $level % 256]);
            foreach (array_keys($written) as $name) {
                clearstatcache();
                $inode = @fileinode("{$this->folder}/{$name}");
                if ($inode !== false && end($written[$name]) !== $inode) {
                    $written[$name][] = $inode;
                }
            }
        });
        $this->turn(4.5);
        self::assertCount(1, $written['state'], 'once, at the beginning');
        self::assertGreaterThanOrEqual(3, \count($written['in-memory']));
        self::assertLessThanOrEqual(6, \count($written['in-memory']), 'once a second');
        $rig->junction->set($this->point('value:7'), 77, new Act('ada', 'Ada'), $rig->nanos());
        $this->turn(1.5);
        self::assertStringContainsString(
            '77',
            (string) json_encode($this->file()->read()['state']['values'] ?? []),
            'on the disk within a second',
        );
        self::assertLessThanOrEqual(2, \count($written['state']));
        EventLoop::cancel($moves);
        $kept = $rig->level(1);
        $keeper->stop();
        $again = $this->rig();
        (new StateKeeper($again->junction, new StateFile("{$this->folder}/none"), new SentAway(), $inMemory))->restore($again->nanos());
        self::assertSame($kept, $again->level(1));
        // A machine that was switched off has forgotten its memory.
        $later = $this->rig();
        (new StateKeeper($later->junction, $this->file(), new SentAway(), new StateFile("{$this->folder}/gone")))->restore($later->nanos());
        self::assertSame($kept, $later->level(1), 'an engine that ends in order has put all of it onto the disk');
    }

    /** The disk takes nothing for a while: what somebody did is tried again, though it lies in memory. */
    public function testADeedThatTheDiskDidNotTakeIsTriedAgain(): void
    {
        $rig = $this->rig();
        $keeper = new StateKeeper(
            $rig->junction,
            new StateFile("{$this->folder}/later/state"),
            new SentAway(),
            new StateFile("{$this->folder}/in-memory"),
        );
        $keeper->start();
        $rig->junction->set($this->point('value:7'), 77, new Act('ada', 'Ada'), $rig->nanos());
        $this->turn(1.3);
        self::assertFileDoesNotExist("{$this->folder}/later/state");
        self::assertFileExists("{$this->folder}/in-memory");
        mkdir("{$this->folder}/later");
        $this->runs(fn(): bool => is_file("{$this->folder}/later/state"), 'the deed on the disk, with nothing done since');
        self::assertStringContainsString('77', (string) file_get_contents("{$this->folder}/later/state"));
        $keeper->stop();
    }

    private function turn(float $seconds): void
    {
        $suspension = EventLoop::getSuspension();
        EventLoop::delay($seconds, static fn() => $suspension->resume());
        $suspension->suspend();
    }

    private function file(): StateFile
    {
        return new StateFile("{$this->folder}/state");
    }

    private function point(string $text): Reference
    {
        return Reference::parse($text) ?? self::fail($text);
    }
}
