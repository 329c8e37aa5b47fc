<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\Events\AlarmMail;
use NimbleJunction\Engine\Events\EventKind;
use NimbleJunction\Engine\Events\EventLog;
use NimbleJunction\Engine\Events\PortWatch;
use NimbleJunction\Engine\Health\LoopLag;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** What has happened: lines that several programs write at once, rotated; ports that are lost and found; alarms. */
final class EventLogTest extends TestCase
{
    private string $folder;
    private EventLog $log;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->log = new EventLog($this->folder);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function testALineAnEventByTheClockOfTheDay(): void
    {
        $before = time();
        self::assertTrue($this->log->note(EventKind::Edit, "add port\n\"Fern\" \xFF", 'Ada', 'fern'));
        $this->log->note(EventKind::Login, 'Eve logged in.');
        [$newest, $first] = $this->log->read(10);
        self::assertSame(['login', 'Eve logged in.'], [$newest['kind'], $newest['words']]);
        self::assertSame(['edit', "add port\n\"Fern\" ?", 'Ada', 'fern'], [$first['kind'], $first['words'], $first['by'], $first['port']]);
        self::assertMatchesRegularExpression('/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}[+-]\d\d:\d\d$/D', $first['at'], 'RFC 3339');
        self::assertEqualsWithDelta($before, (new \DateTimeImmutable($first['at']))->getTimestamp(), 5);
        self::assertCount(2, file("{$this->folder}/".EventLog::FILE) ?: [], 'a line each');
        self::assertSame('0600', substr(sprintf('%o', fileperms("{$this->folder}/".EventLog::FILE)), -4));
        self::assertCount(1, $this->log->read(10, ['edit']));
        self::assertCount(1, $this->log->read(10, [], 'FERN'));
        self::assertSame([], (new EventLog(''))->read(5));
        self::assertFalse((new EventLog('/nowhere'))->note(EventKind::Edit, 'x'));
    }

    public function testManyWriteAtOnceAndNoLineIsTorn(): void
    {
        $script = 'require $argv[1]; $log = new NimbleJunction\Engine\Events\EventLog($argv[2]); for ($i = 0; $i < 400; ++$i) { $log->note(NimbleJunction\Engine\Events\EventKind::Edit, $argv[3].":".$i.str_repeat(" long", 60)); }';
        $writers = array_map(
            fn(int $i): Process => new Process([
                PHP_BINARY,
                '-r',
                $script,
                Background::root().'/vendor/autoload.php',
                $this->folder,
                "w{$i}",
            ]),
            range(1, 4),
        );
        array_map(static fn(Process $one) => $one->start(), $writers);
        array_map(static fn(Process $one) => $one->wait(), $writers);
        $lines = file("{$this->folder}/".EventLog::FILE) ?: [];
        self::assertCount(1600, $lines);
        $seen = [];
        foreach ($lines as $line) {
            $event = json_decode($line, true, flags: \JSON_THROW_ON_ERROR);
            $seen[strtok($event['words'], ' ')] = true;
        }
        self::assertCount(1600, $seen);
    }

    public function testItIsRotatedAndReadAcrossItsFiles(): void
    {
        for ($i = 0; $i < 9000; ++$i) {
            $this->log->note(EventKind::Fault, "{$i} ".str_repeat('x', 1900));
        }
        $files = $this->log->files();
        self::assertCount(6, $files, 'the one of now and five before it');
        foreach ($files as $file) {
            self::assertLessThan(2_010_000, filesize($file));
        }
        $read = $this->log->read(2500);
        self::assertSame(range(8999, 6500), array_map(static fn(array $one): int => (int) $one['words'], $read));
        file_put_contents("{$this->folder}/".EventLog::FILE, "no JSON\n{\"at\": \n", FILE_APPEND);
        self::assertSame(8999, (int) $this->log->read(1)[0]['words'], 'a torn line is passed over');
    }

    public function testPortsAreLostFoundAndAlarmed(): void
    {
        $rig = new Rig();
        $aboutAlarms = [];
        $warnings = new Warnings(static function (string $words, string $about) use (&$aboutAlarms): void {
            $aboutAlarms[] = $about;
        });
        $alarms = [];
        $watch = new PortWatch($rig->junction, $this->log, $warnings, 8, static function (string $words) use (&$alarms): void {
            $alarms[] = $words;
        });
        $seconds = static function (int $count, bool $sends) use ($rig, $watch): void {
            for ($i = 0; $i < $count * 40; ++$i) {
                if ($sends) {
                    $rig->artNet([1 => 10]);
                }
                $rig->pass(0.025);
                if ($i % 40 === 0) {
                    $watch->look($rig->nanos());
                }
            }
        };
        $seconds(5, true);
        $seconds(30, false);
        self::assertCount(1, $alarms, 'once, however long');
        self::assertStringContainsString('House desk has been in trouble for 8 s', $alarms[0]);
        self::assertSame(['port house'], array_column($warnings->all(), 'key'));
        self::assertSame([PortWatch::ALARM.'house'], $aboutAlarms, 'told so that it is written down once');
        self::assertCount(1, $this->log->read(50, ['alarm']));
        $seconds(5, true);
        self::assertSame([], $warnings->all());
        $words = array_reverse(array_map(
            static fn(array $one): string => "{$one['kind']}: {$one['words']}",
            $this->log->read(50, [], 'House'),
        ));
        self::assertSame('found: House desk is heard for the first time.', $words[0]);
        self::assertContains('lost: House desk is lost.', $words);
        self::assertContains('found: House desk is there again.', $words);
        self::assertContains('found: The alarm of House desk is over.', $words);
        self::assertSame('house', $this->log->read(1, [], 'House')[0]['port']);
        $count = \count($this->log->read(100));
        $seconds(2, false);
        $seconds(3, true);
        self::assertCount($count, $this->log->read(100), 'a stumble is no event');
        for ($i = 0; $i < 40; ++$i) {
            $rig->junction->activity('house')->fault = $i % 2 === 0 ? 'pulled out' : '';
            $watch->look($rig->nanos());
            $rig->pass(0.3);
        }
        self::assertLessThan(25, \count($this->log->read(100, [], 'House')), 'what comes and goes all the time fills no disk');
    }

    public function testAlarmsLeaveByAProgramOfTheirOwnOneAtATime(): void
    {
        $mail = new AlarmMail(['sh', '-c', "cat >> {$this->folder}/sent; echo end >> {$this->folder}/sent"]);
        $mail->tell('one');
        $mail->tell('two');
        $mail->look(0);
        Background::until(fn(): bool => @file_get_contents("{$this->folder}/sent") === "one\ntwo\nend\n", 'both in one message');
        $mail->tell('three');
        $mail->look(30_000_000_000);
        $mail->look(59_000_000_000);
        self::assertSame("one\ntwo\nend\n", file_get_contents("{$this->folder}/sent"), 'at most once a minute');
        $mail->look(61_000_000_000);
        Background::until(fn(): bool => str_ends_with((string) file_get_contents("{$this->folder}/sent"), "three\nend\n"), 'the next one');
        $none = new AlarmMail([]);
        $none->tell('four');
        $none->look(0);
    }

    public function testTheWorstWaitOfTheLastMinuteIsKnown(): void
    {
        $lag = new LoopLag();
        foreach ([[5, 1], [900, 2], [7, 2], [30, 50]] as [$nanos, $second]) {
            $lag->note($nanos, $second);
        }
        self::assertSame(900, $lag->worst());
        $lag->note(8, 70);
        self::assertSame(30, $lag->worst());
        self::assertSame(0, (new LoopLag())->worst());
    }
}
