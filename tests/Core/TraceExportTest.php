<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Export\TraceExport;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Wire\Capture\Capture;
use NimbleJunction\Core\Wire\Capture\Frame;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The trace as files: JSON that json_decode reads line by line, a capture that a general-purpose protocol analyser (tshark) reads. */
final class TraceExportTest extends TestCase
{
    private const WALL = 1_700_000_000_000_000_000;
    private const FADER = "/fader\0\0,i\0\0\0\0\0\x07";
    private const NOTE = "\x90\x3C\x64";

    public function testEachEventIsALineOfJson(): void
    {
        [$junction, $export] = $this->traced();
        $lines = explode("\n", trim($export->jsonLines($junction->trace->events())));
        self::assertCount(3, $lines);
        self::assertSame([
            'time' => '2023-11-14T22:13:21.250Z',
            'kind' => 'message',
            'port' => 'tablet',
            'title' => "a fader \u{2192} moved\nin two lines",
            'count' => 1,
            'hops' => [
                ['step' => 'heard', 'words' => 'heard', 'bytes' => bin2hex(self::FADER), 'peer' => '192.0.2.7'],
                ['step' => 'sent', 'words' => 'sent', 'route' => 'on', 'bytes' => bin2hex(self::FADER), 'peer' => '198.51.100.3:9000'],
            ],
        ], json_decode($lines[0], true, flags: JSON_THROW_ON_ERROR));
    }

    public function testTheCaptureIsReadByTheAnalyser(): void
    {
        [$junction, $export] = $this->traced();
        $read = $this->tshark($export->pcapng($junction->trace->events()));
        self::assertSame([
            "1700000001.250000000|network|192.0.2.7|0|192.0.2.1|8000|a fader \u{2192} moved\\nin two lines",
            "1700000001.250000000|network|0.0.0.0|0|198.51.100.3|9000|a fader \u{2192} moved\\nin two lines",
            '1700000002.000000000|Keys|||||a note',
        ], $read);
    }

    /** Our own reader, which the analyser's files have been read with, finds the same. */
    public function testWeReadItToo(): void
    {
        [$junction, $export] = $this->traced();
        $frames = iterator_to_array(Capture::frames($export->pcapng($junction->trace->events([1, 2]))), false);
        self::assertSame([Frame::RAW, Frame::RAW, Frame::PRIVATE_USE], array_column($frames, 'linkType'));
        self::assertSame(self::NOTE, $frames[2]->bytes);
        self::assertSame(self::WALL + 2_000_000_000, $frames[2]->at);
    }

    public function testAnEmptyTraceIsASoundFile(): void
    {
        [, $export] = $this->traced();
        self::assertSame('', $export->jsonLines([]));
        self::assertSame([], $this->tshark($export->pcapng([])));
    }

    /** @return array{Junction, TraceExport} */
    private function traced(): array
    {
        $junction = new Junction();
        $trace = $junction->trace;
        $event = $trace->begin(Kind::Message, 'fader', 'tablet', "a fader \u{2192} moved\nin two lines", 1_250_000_000);
        $trace->hop($event, Step::Heard, 'heard', self::FADER, null, '192.0.2.7');
        $trace->hop($event, Step::Sent, 'sent', self::FADER, 'on', '198.51.100.3:9000');
        $trace->note(Kind::Message, 'note', 'keys', Step::Heard, 'a note', 2_000_000_000, self::NOTE);
        $trace->note(Kind::Show, 'show', '', Step::Note, 'nothing that has bytes', 3_000_000_000, 'no packet');
        $show = ShowReader::fromArray([
            'format' => 'nimble-junction/show',
            'version' => 2,
            'name' => 'Made up',
            'universes' => [],
            'ports' => [
                ['id' => 'tablet', 'name' => 'Tablet', 'protocol' => 'osc', 'receive' => ['address' => '192.0.2.1', 'port' => 8000]],
                ['id' => 'keys', 'name' => 'Keys', 'protocol' => 'midi', 'link' => ['kind' => 'device', 'device' => '/dev/keys'], 'receive' => []],
                ['id' => 'light', 'name' => 'Light', 'protocol' => 'osc', 'send' => ['to' => ['198.51.100.3'], 'port' => 9000]],
            ],
        ]);

        return [$junction, new TraceExport($junction->names(), $show->ports, self::WALL)];
    }

    /** @return list<string> */
    private function tshark(string $file): array
    {
        $folder = sys_get_temp_dir().'/junction-trace-'.bin2hex(random_bytes(6));
        mkdir($folder);
        try {
            file_put_contents("{$folder}/trace.pcapng", $file);
            $fields = ['frame.time_epoch', 'frame.interface_name', 'ip.src', 'udp.srcport', 'ip.dst', 'udp.dstport', 'frame.comment'];
            $asked = array_merge(...array_map(static fn(string $field): array => ['-e', $field], $fields));
            $run = new Process(
                ['tshark', '-n', '-r', "{$folder}/trace.pcapng", '-T', 'fields', '-E', 'separator=|', ...$asked],
                null,
                ['HOME' => $folder],
            );

            return array_values(array_filter(explode("\n", $run->mustRun()->getOutput()), static fn(string $line): bool => $line !== ''));
        } finally {
            (new Process(['rm', '-rf', $folder]))->run();
        }
    }
}
