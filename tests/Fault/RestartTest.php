<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Fault;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\StateFolder;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** An engine that is killed, told to end, or finds rubbish where its state was; through real processes and packets. */
final class RestartTest extends TestCase
{
    private const NET = '127.78.40';
    private StateFolder $folder;
    private Udp $desk;
    private Udp $line;
    private Udp $node;
    private ?EngineProcess $engine = null;

    protected function setUp(): void
    {
        $this->folder = new StateFolder();
        $this->desk = new Udp(self::NET.'.11', 6454);
        $this->line = new Udp(self::NET.'.2', 5120);
        $this->node = new Udp(self::NET.'.3', 5568);
    }

    protected function tearDown(): void
    {
        $this->engine?->stop();
        array_map(static fn(Udp $socket) => $socket->close(), [$this->desk, $this->line, $this->node]);
        $this->folder->delete();
    }

    public function testAFadeThatWasKilledIsFinished(): void
    {
        $document = self::document(['whenLost' => 'fade', 'fadeSeconds' => 6]);
        $document['ports'][0] = [
            'id' => 'desk',
            'name' => 'Desk',
            'protocol' => 'sacn',
            'receive' => ['address' => self::NET.'.1', 'port' => 5570, 'feeds' => [['number' => 1, 'universe' => 'palm']]],
        ];
        $this->start($document);
        $this->desk->send((new Data('restart---------', 1, Rig::levels([1 => 255]), 1))->encode(), self::NET.'.1:5570');
        $this->line->until(static fn(string $bytes): bool => $bytes[1] === "\xFF");
        $this->line->until(static fn(string $bytes): bool => \ord($bytes[1]) < 200 && \ord($bytes[1]) > 60);
        $this->folder->untilKept('"elapsed"');
        $this->kill();
        $this->start($document);
        $first = \ord($this->next()[1]);
        self::assertLessThan(200, $first, 'it goes on from where it was');
        $this->line->until(static fn(string $bytes): bool => $bytes[1] === "\0");
        $this->addToAssertionCount(1);
    }

    /**
     * A list fades a lamp up under a master at half, a look stands, a wave runs: all of it is where it would be by now, and no frame
     * between.
     */
    public function testAProgrammeThatWasKilledIsWhereItWouldBeByNow(): void
    {
        $values = static fn(string $point): array => [['point' => $point, 'value' => 100]];
        $document = [
            ...self::document(),
            'profiles' => [['id' => 'lamp', 'name' => 'Lamp', 'parameters' => [['name' => 'level', 'kind' => 'intensity']]]],
            'fixtures' => array_map(
                static fn(int $i): array => ['id' => "f{$i}", 'name' => "F {$i}", 'profile' => 'lamp', 'universe' => 'palm', 'first' => $i],
                [1, 2, 3],
            ),
            'looks' => [['id' => 'doors', 'name' => 'Doors', 'fadeIn' => 0, 'values' => $values('fixture:f2/level')]],
            'lists' => [['id' => 'walk', 'name' => 'Walk', 'begins' => true, 'cues' => [['number' => '1', 'up' => 10, 'values' => [...$values('fixture:f1/level'), ['point' => 'look:doors/active', 'value' => 1]]]]]],
            'masters' => [['id' => 'grand', 'name' => 'Grand', 'start' => 50]],
            'waves' => [['id' => 'breath', 'name' => 'Breath', 'shape' => 'square', 'mode' => 'replace', 'centre' => 50, 'size' => 50, 'rate' => 0.01, 'begins' => true, 'on' => [['point' => 'fixture:f3/level']]]],
        ];
        $this->start($document);
        $began = microtime(true);
        $this->line->until(static fn(string $bytes): bool => \ord($bytes[1]) >= 20 && \ord($bytes[2]) === 128 && \ord($bytes[3]) === 128);
        $this->folder->untilKept('"cue":"1"');
        $this->kill();
        $this->start($document);
        for ($i = 0; $i < 40; ++$i) {
            $levels = array_map(\ord(...), str_split(substr($this->next(), 1, 3)));
            $wanted = min(128.0, 12.8 * (microtime(true) - $began));
            self::assertSame([128, 128], [$levels[1], $levels[2]], 'neither dark nor brighter, from the first frame on');
            self::assertLessThanOrEqual($wanted + 3.0, $levels[0]);
            self::assertGreaterThanOrEqual(19, $levels[0], 'it goes on, and does not begin anew');
        }
        $this->line->until(static fn(string $bytes): bool => \ord($bytes[1]) === 128);
        self::assertLessThan(30.0, microtime(true) - $began);
    }

    /** E1.31-2018, 6.7.2: what comes after the restart is newer than what came before. */
    public function testReceiversOfSacnTakeWhatComesAfterAKill(): void
    {
        $this->start(self::document());
        $this->send(70);
        $last = $this->untilNode(70)->sequence;
        $this->folder->untilKept('sequences');
        for ($level = 71; $level < 90; ++$level) {
            $this->send($level);
            $packet = $this->untilNode($level);
            $last = $packet->sequence;
        }
        $this->kill();
        $cid = $packet->cid;
        while (($late = $this->node->receive(0.05)) !== null) {
            $last = Sacn::decode($late)->sequence;
        }
        $this->start(self::document());
        $again = Sacn::decode((string) $this->node->receive(30.0));
        self::assertInstanceOf(Data::class, $again);
        self::assertSame($cid, $again->cid);
        $step = ($again->sequence - $last) & 255;
        self::assertTrue($step > 0 && $step < 128, "{$again->sequence} follows {$last}");
        self::assertGreaterThanOrEqual(
            70,
            \ord($again->levels[0]),
            'with the levels of before, as they were written down within the last second',
        );
    }

    /** E1.31-2018, 6.2.6. */
    public function testToldToEndItSaysSoThreeTimesAndEndsWithNothingWrong(): void
    {
        $this->start(self::document());
        $this->send(70);
        $this->untilNode(70);
        $this->engine?->process()->signal(SIGTERM);
        Background::until(fn(): bool => $this->engine?->process()->isRunning() === false, 'The engine ending');
        self::assertSame(0, $this->engine?->stop());
        $this->engine = null;
        $ended = 0;
        while (($bytes = $this->node->receive(0.3)) !== null) {
            $packet = Sacn::decode($bytes);
            $ended += $packet instanceof Data && $packet->isTerminated() ? 1 : 0;
        }
        self::assertSame(3, $ended);
    }

    public function testToldToEndAtAnyMomentItEndsWithCode0(): void
    {
        $codes = [];
        for ($millis = 0; $millis <= 640; $millis += 80) {
            $engine = $this->folder->engine(self::document(), [], false);
            Background::until(
                static fn(): bool => self::holdsBack(SIGTERM, $engine->process()->pid()),
                'bin/engine-php holding back what ends it',
            );
            usleep($millis * 1000);
            $engine->process()->signal(SIGTERM);
            Background::until(static fn(): bool => ! $engine->process()->isRunning(), 'The engine ending');
            $codes[$millis] = $engine->stop();
        }
        self::assertSame([0], array_values(array_unique($codes)), json_encode($codes, JSON_THROW_ON_ERROR));
    }

    /** Whether it is bin/engine-php already, and a signal waits or has something to do when it comes (proc(5), "status"). */
    private static function holdsBack(int $signal, int $pid): bool
    {
        if (! str_contains((string) @file_get_contents("/proc/{$pid}/cmdline"), "\0artisan\0")) {
            return false;
        }
        preg_match_all('/^Sig(?:Blk|Cgt):\s+([0-9a-f]+)$/m', (string) @file_get_contents("/proc/{$pid}/status"), $found);
        $masks = array_map(hexdec(...), $found[1]);

        return array_filter($masks, static fn(int|float $mask): bool => ((int) $mask >> ($signal - 1) & 1) === 1) !== [];
    }

    /** @return iterable<string, array{string}> what stands in the state file */
    public static function rubbish(): iterable
    {
        $absurd = '{"boot":"x","at":'.PHP_INT_MAX.',"time":-1}'."\n".'{"universes":{"palm":{"merged":"'.base64_encode(str_repeat("\7", 512))
            .'","holds":[{"slot":1,"level":2,"left":'.PHP_INT_MAX.'}],"sources":[{"key":"eA==","levels":"'
            .base64_encode(str_repeat("\7", 512)).'","priority":'.PHP_INT_MAX.'}],"fade":{"from":"'.base64_encode(str_repeat("\7", 512))
            .'","elapsed":'.PHP_INT_MIN.',"nanos":0}}},"sequences":{"net sacn 7 palm":1e300},"feedback":{"in":[]}}';
        yield 'absurd numbers, soundly written' => ['nimble-junction/state 1 '.hash('xxh128', $absurd)."\n{$absurd}"];
        yield 'cut off' => [substr('nimble-junction/state 1 '.hash('xxh128', $absurd)."\n{$absurd}", 0, 200)];
        yield 'nothing' => [''];
        yield 'zeros, as a machine that lost its power leaves them' => [str_repeat("\0", 4096)];
        yield 'another format' => ['{"universes":{"palm":{"merged":5}}}'];
    }

    #[DataProvider('rubbish')]
    public function testAStateThatIsRubbishKeepsNobodyFromStarting(string $bytes): void
    {
        file_put_contents("{$this->folder->path}/engine-state", $bytes);
        $this->start(self::document());
        $this->send(33);
        $this->line->until(static fn(string $line): bool => $line[1] === "\x21");
        if (! str_contains($bytes, 'feedback')) {
            self::assertStringContainsString(
                'is broken: it was set aside as engine-state.broken-',
                (string) $this->engine?->process()->output(),
            );
            self::assertNotEmpty(glob("{$this->folder->path}/engine-state.broken-*"));
        }
        $this->folder->untilKept(base64_encode("\x21\0\0"));
        $this->kill();
        $this->start(self::document());
        self::assertSame("\x21", $this->next()[1], 'and from then on it is kept again');
    }

    public function testASecondEngineOnTheSameFolderTouchesNothing(): void
    {
        $this->start(self::document());
        $this->send(44);
        $this->line->until(static fn(string $bytes): bool => $bytes[1] === "\x2C");
        $second = $this->folder->engine(self::document(), [], false);
        $second->process()->untilSaid('Another engine (process '.$this->engine?->process()->pid());
        Background::until(static fn(): bool => ! $second->process()->isRunning(), 'The second one ending');
        self::assertSame(1, $second->stop());
        self::assertSame(
            ['ok' => true],
            $this->folder->tell(['do' => 'adopt', 'document' => json_encode(self::document())]),
            'the first still has its door',
        );
        $this->send(45);
        $this->line->until(static fn(string $bytes): bool => $bytes[1] === "\x2D");
    }

    public function testAShowThatCannotBeReadGivesWayToTheLastGoodOne(): void
    {
        $database = $this->folder->database();
        $start = fn(bool $wait = true): Background => new Background(
            ['bin/engine-php', 'artisan', 'junction:engine', '--live=off', '--for=100'],
            [...$this->folder->environment(), 'JUNCTION_LOOPBACK' => '127.78.41'],
        );
        $engine = $start();
        $engine->untilSaid('The engine runs "Fernhall Glasshouse, Night Walk"');
        $engine->stop();
        foreach (['{"id": "house-desk", "name": "House desk", "protocol": "smoke signals"}', 'no JSON at all'] as $broken) {
            $database->prepare(
                "update show_parts set definition = ? where kind = 'ports' and key = 'house-desk'",
            )->execute([$broken]);
            $engine = $start();
            $engine->untilSaid('The stored show cannot be read, so the one that ran last is running. What is wrong: /ports/0');
            $engine->untilSaid('The engine runs "Fernhall Glasshouse, Night Walk"');
            $engine->stop();
        }
        unlink("{$this->folder->path}/last-good-show.json");
        $engine = $start();
        $engine->untilSaid('The show cannot be used:');
        Background::until(static fn(): bool => ! $engine->isRunning(), 'The engine ending');
        self::assertSame(1, $engine->stop(), 'without one there is nothing to run');
    }

    /** @param array<string, mixed> $document */
    private function start(array $document): void
    {
        while ($this->line->receive(0.01) !== null) {
            continue;
        }
        $this->engine = $this->folder->engine($document);
    }

    private function kill(): void
    {
        $this->engine?->process()->signal(SIGKILL);
        Background::until(fn(): bool => $this->engine?->process()->isRunning() === false, 'The engine being dead');
        $this->engine?->stop();
        $this->engine = null;
        while ($this->line->receive(0.02) !== null) {
            continue;
        }
    }

    private function send(int $level): void
    {
        $this->desk->send((new Dmx(1, Rig::levels([1 => $level])))->encode(), self::NET.'.1:6454');
    }

    private function next(): string
    {
        return (string) $this->line->receive(30.0);
    }

    private function untilNode(int $level): Data
    {
        $packet = Sacn::decode($this->node->until(static function (string $bytes) use ($level): bool {
            $packet = Sacn::decode($bytes);

            return $packet instanceof Data && $packet->universe === 7 && \ord($packet->levels[0]) === $level;
        }));
        \assert($packet instanceof Data);

        return $packet;
    }

    /**
     * @param array<string, mixed> $palm
     *
     * @return array<string, mixed>
     */
    private static function document(array $palm = []): array
    {
        $document = EngineProcess::document(self::NET);
        $document['universes'][0] = [...$document['universes'][0], ...$palm];

        return $document;
    }
}
