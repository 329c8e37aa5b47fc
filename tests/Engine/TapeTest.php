<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Live\Tape\TapePoints;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Engine\Tape\TapeDeck;
use NimbleJunction\Engine\Tape\TapeFolder;
use NimbleJunction\Engine\Tape\TapeLabel;
use NimbleJunction\Engine\Tape\TapeReader;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;
use Revolt\EventLoop;
use Symfony\Component\Process\Process;

/**
 * Tapes: what arrives at ports is written as it arrives, read by tshark, played again in its time, cut, looped; and a broken file is
 * played as far as it goes.
 */
final class TapeTest extends TestCase
{
    private string $folder;
    private Plan $plan;

    /** @var list<array{float, string, string, string}> when, at which endpoint, from whom, what */
    private array $arrived = [];

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6));
        $show = ShowReader::fromArray([...Rig::document(), 'ports' => [...Rig::document()['ports'], Rig::CABLE]]);
        $this->plan = (new Compiler(new Identity(str_repeat('J', 16))))->compile($show);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function testWhatArrivedIsWrittenAsOthersReadItAndArrivesAgain(): void
    {
        $deck = $this->deck();
        self::assertSame('', $deck->record('House desk, Monday', []));
        self::assertStringContainsString('already', $deck->record('Another', []));
        $dmx = (new Dmx(1, str_repeat("\x40", 512), 1))->encode();
        $this->hear($deck, Rig::ART_NET, '127.0.0.11', 6454, $dmx);
        usleep(50_000);
        $this->hear($deck, Rig::OSC, '127.0.0.15', 9001, "/lamp\0\0\0,f\0\0\x3f\x80\0\0");
        $this->hear($deck, 'midi cable lectern', 'lectern', 0, "\x90\x3C\x40");
        self::assertSame('', $deck->endRecording());
        self::assertSame(['house-desk-monday' => 'House desk, Monday'], $deck->names());
        $label = $deck->labels()['house-desk-monday'];
        self::assertSame(3, $label->packets);
        self::assertGreaterThanOrEqual(0.049, $label->seconds);
        self::assertLessThan(2.0, $label->seconds);
        // What tshark reads of the file; MIDI from a cable stands on an interface of its own.
        $read = (new Process(
            ['tshark', '-n', '-r', "{$this->folder}/house-desk-monday.pcapng", '-T', 'fields', '-E', 'separator=|', '-e', 'ip.src', '-e', 'udp.srcport', '-e', 'udp.dstport', '-e', 'frame.interface_name', '-e', 'artnet.output.universe'],
            null,
            ['HOME' => $this->folder],
        ))->mustRun()->getOutput();
        self::assertSame(['127.0.0.11|6454|6454|network|1', '127.0.0.15|9001|8000|network|', '|||lectern|'], explode("\n", trim($read)));
        $this->play($deck, 'house-desk-monday', 1.5);
        self::assertSame(
            [[Rig::ART_NET, '127.0.0.11', $dmx], [Rig::OSC, '127.0.0.15', "/lamp\0\0\0,f\0\0\x3f\x80\0\0"], ['midi cable lectern', 'lectern', "\x90\x3C\x40"]],
            array_map(static fn(array $one): array => \array_slice($one, 1), $this->arrived),
        );
        $between = $this->arrived[1][0] - $this->arrived[0][0];
        self::assertGreaterThan($label->seconds - 0.01, $between, 'in its time, and not before');
        self::assertLessThan($label->seconds + 1.0, $between);
        self::assertFalse($deck->isPlaying('house-desk-monday'), 'once, and it ends');
    }

    public function testOnlyChosenPortsAreRecordedAndOthersGoOn(): void
    {
        $deck = $this->deck();
        $deck->record('Only OSC', ['tablet']);
        $this->hear($deck, Rig::ART_NET, '127.0.0.11', 6454, 'x');
        $this->hear($deck, Rig::OSC, '127.0.0.15', 9001, 'y');
        $deck->endRecording();
        self::assertSame(1, $deck->labels()['only-osc']->packets);
    }

    public function testItIsCutLoopedAndNothingElseIsHeardThereMeanwhile(): void
    {
        $deck = $this->deck();
        $deck->record('Steps', []);
        foreach (range(0, 9) as $i) {
            $this->hear($deck, Rig::OSC, '127.0.0.15', 9001, (string) $i);
            usleep(20_000);
        }
        $deck->endRecording();
        // By the times that are on the tape: a busy machine sleeps longer.
        $times = array_map(
            static fn(array $one): int => $one[1]->at,
            iterator_to_array(TapeReader::frames("{$this->folder}/steps.pcapng"), false),
        );
        $at = static fn(int $i): float => ($times[$i] - $times[0]) / 1e9;
        self::assertSame('', $deck->change('steps', static fn($label) => $label->cut($at(3) - 0.002, $at(5) + 0.002)));
        $deck->setLoop('steps', true);
        EventLoop::delay(0.2, function () use ($deck): void {
            self::assertTrue($deck->isInstead(Rig::OSC, '127.0.0.15', 9001, 'live'), 'the desk itself is not heard now');
            self::assertFalse($deck->isInstead(Rig::ART_NET, '127.0.0.15', 9001, 'live'), 'what is not on the tape is');
        });
        $this->play($deck, 'steps', 1.5);
        $heard = implode('', array_column($this->arrived, 3));
        self::assertGreaterThan(5, \strlen($heard), 'round and round');
        self::assertStringStartsWith(substr(str_repeat('345', 100), 0, \strlen($heard)), $heard);
        self::assertTrue($deck->isPlaying('steps'));
        self::assertSame('', $deck->stop('steps'));
        self::assertFalse($deck->isInstead(Rig::OSC, '127.0.0.15', 9001, 'live'));
        self::assertSame('', $deck->remove('steps'));
        self::assertSame([], $deck->names());
        self::assertSame('there is no such tape', $deck->play('../steps'));
    }

    public function testPartsHaveNamesAndEachIsPlayedForItself(): void
    {
        $deck = $this->deck();
        $deck->record('Evening', []);
        foreach (range(0, 5) as $i) {
            $this->hear($deck, Rig::OSC, '127.0.0.15', 9001, (string) $i);
            usleep(20_000);
        }
        $deck->endRecording();
        $times = array_map(
            static fn(array $one): int => $one[1]->at,
            iterator_to_array(TapeReader::frames("{$this->folder}/evening.pcapng"), false),
        );
        $at = static fn(int $i): float => ($times[$i] - $times[0]) / 1e9;
        $deck->change(
            'evening',
            static fn($label) => $label->cut(0.0, $at(1) + 0.002)
                ->withPart('Overture')
                ->cut($at(4) - 0.002, 0.0)
                ->withPart('Überall')
                ->cut(0.0, 0.0),
        );
        self::assertSame(['overture' => 'Overture', 'berall' => 'Überall'], $deck->parts('evening'));
        $points = new TapePoints();
        $points->deck = $deck;
        $part = Reference::parse('tape:evening/part/berall') ?? throw new \LogicException();
        self::assertSame('Tape Evening, part Überall', $points->describe($part)?->name);
        self::assertContains(
            'tape:evening/part/overture',
            array_map(static fn($one): string => $one->text(), iterator_to_array($points->all(), false)),
        );
        self::assertSame('', $points->press($part, new Act('person', 'Ada'), 0));
        self::assertSame('berall', $deck->played['evening']);
        $this->wait(0.5);
        self::assertSame('45', implode('', array_column($this->arrived, 3)));
        self::assertSame('', $deck->play('evening', 'overture'));
        $this->wait(0.5);
        self::assertSame('4501', implode('', array_column($this->arrived, 3)));
        // A part of the same name is another one from now on; one of another name stays itself, whatever its id would be.
        $deck->change(
            'evening',
            static fn($label) => $label->cut($at(2) - 0.002, $at(2) + 0.002)->withPart('Overture')->withPart('overture!'),
        );
        self::assertSame(['overture', 'berall', 'overture-2'], array_keys($deck->parts('evening')));
        $deck->play('evening', 'overture');
        $this->wait(0.3);
        self::assertSame('45012', implode('', array_column($this->arrived, 3)));
        // However many long names are the same but for what an id cannot have, each is a part of its own.
        $long = array_reduce(
            range(1, 5),
            static fn(TapeLabel $label, int $i): TapeLabel => $label->withPart(str_repeat('a', 54).str_repeat('!', $i)),
            new TapeLabel('x', 'X', 0, 0),
        );
        self::assertCount(5, $long->parts);
        $deck->change('evening', static fn($label) => $label->withoutPart('overture')->withoutPart('gone'));
        self::assertNull($points->describe(Reference::parse('tape:evening/part/overture') ?? $part));
        self::assertSame(
            'there is no such tape',
            $points->press(Reference::parse('tape:evening/part/overture') ?? $part, new Act('person', 'Ada'), 0),
        );
    }

    public function testABrokenFileIsPlayedAsFarAsItGoesAndAnyBytesThrowNothing(): void
    {
        $deck = $this->deck();
        $deck->record('Cut', []);
        foreach (range(0, 4) as $i) {
            $this->hear($deck, Rig::OSC, '127.0.0.15', 9001, "piece {$i}");
        }
        $deck->endRecording();
        $path = "{$this->folder}/cut.pcapng";
        $whole = (string) file_get_contents($path);
        file_put_contents($path, substr($whole, 0, -20));
        self::assertCount(4, iterator_to_array(TapeReader::frames($path), false));
        $this->play($deck, 'cut', 0.5);
        self::assertCount(4, $this->arrived);
        for ($seed = 1; $seed <= 200; ++$seed) {
            mt_srand($seed);
            $broken = $whole;
            for ($i = 0; $i < 3; ++$i) {
                $broken[mt_rand(0, \strlen($broken) - 1)] = \chr(mt_rand(0, 255));
            }
            file_put_contents($path, $broken);
            file_put_contents("{$this->folder}/cut.json", random_bytes(20));
            $deck->lookAgain();
            $deck->play('cut');
            EventLoop::delay(0.002, static fn() => null);
            EventLoop::run();
            $deck->stop('cut');
            self::assertArrayHasKey('cut', $deck->names());
        }
    }

    private function deck(): TapeDeck
    {
        $start = hrtime(true);

        return new TapeDeck(
            new TapeFolder($this->folder),
            fn(): Plan => $this->plan,
            function (string $endpoint, string $address, int $port, string $bytes) use ($start): void {
                $this->arrived[] = [(hrtime(true) - $start) / 1e9, $endpoint, $address, $bytes];
            },
            static fn() => null,
        );
    }

    private function hear(TapeDeck $deck, string $endpoint, string $address, int $port, string $bytes): void
    {
        self::assertFalse($deck->isInstead($endpoint, $address, $port, $bytes));
    }

    private function play(TapeDeck $deck, string $id, float $seconds): void
    {
        self::assertSame('', $deck->play($id));
        $this->wait($seconds);
    }

    private function wait(float $seconds): void
    {
        $suspension = EventLoop::getSuspension();
        EventLoop::delay($seconds, static fn() => $suspension->resume());
        $suspension->suspend();
    }
}
