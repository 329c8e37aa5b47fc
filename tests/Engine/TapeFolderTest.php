<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\Tape\TapeFolder;
use NimbleJunction\Engine\Tape\TapeLabel;
use NimbleJunction\Engine\Tape\TapeRecorder;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The folder of tapes: names and ids, labels that anybody may have written, and a place that cannot be written. */
final class TapeFolderTest extends TestCase
{
    private string $path;

    protected function setUp(): void
    {
        $this->path = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6));
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->path]))->run();
    }

    public function testNamesBecomeIdsOfWhichEachIsThereOnce(): void
    {
        $folder = new TapeFolder("{$this->path}/tapes");
        foreach (['House desk, Monday' => 'house-desk-monday', 'späť' => 'sp', '!!!' => 'tape', '../../etc' => 'etc'] as $name => $id) {
            self::assertSame($id, $folder->free($name));
        }
        touch($folder->path('tape'));
        self::assertSame('tape-2', $folder->free('Tape'));
        self::assertTrue($folder->has('tape'));
        foreach (['../tapes/tape', 'Tape', '', 'tape.pcapng', str_repeat('a', 61)] as $id) {
            self::assertFalse($folder->has($id), $id);
        }
        $folder->remove('tape');
        $folder->remove('../../etc');
        self::assertSame([], $folder->all());
    }

    public function testALabelIsKeptCutAndReadWithSuspicion(): void
    {
        $folder = new TapeFolder($this->path);
        touch($folder->path($folder->free('One')));
        $label = $folder->label('one');
        self::assertSame(['one', 'one', 0.0], [$label->id, $label->name, $label->ends()]);
        $folder->write((new TapeLabel('one', 'First', 0, 0, 60.0, 7))->cut(10.0, 20.0)->looped(true)->called('Second'));
        $again = $folder->label('one');
        self::assertEquals(
            ['Second', 60.0, 7, 10.0, 20.0, true, 20.0],
            [$again->name, $again->seconds, $again->packets, $again->from, $again->to, $again->loops, $again->ends()],
        );
        self::assertSame(60.0, $again->cut(10.0, 0.0)->ends(), '0 is its end');
        foreach ([
            '',
            'no json',
            '[]',
            '{"name": 4, "seconds": "long", "from": -5, "loops": "yes"}',
            '{"name": "'.str_repeat('x', 500).'"}',
        ] as $text) {
            file_put_contents("{$this->path}/one.json", $text);
            $read = $folder->label('one');
            self::assertTrue($read->from >= 0.0 && $read->seconds === 0.0 && ! $read->loops && \strlen($read->name) <= 60, $text);
        }
        self::assertSame(['one'], array_keys($folder->all()));
    }

    public function testAFileThatCannotBeWrittenIsSaidAndThrowsNothing(): void
    {
        mkdir($this->path);
        $recorder = new TapeRecorder("{$this->path}/gone/tape.pcapng", []);
        self::assertFalse($recorder->isOpen());
        self::assertStringContainsString('cannot be written', $recorder->why);
        $recorder->end();
        touch("{$this->path}/there.pcapng");
        self::assertFalse((new TapeRecorder("{$this->path}/there.pcapng", []))->isOpen(), 'what is there is not written over');
    }
}
