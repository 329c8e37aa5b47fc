<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Furnishing\MidiExport;
use NimbleJunction\Core\Furnishing\MidiSource;
use NimbleJunction\Core\Furnishing\MidiTracks;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\NodeOracle;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Random notes out as a MIDI file and in again, in seconds and in beats; the npm library @tonejs/midi reads the same of each. */
final class MidiRoundTripTest extends TestCase
{
    public function testRandomNotesGoOutAndComeInAgain(): void
    {
        $files = $expected = [];
        for ($seed = 1; $seed <= 40; ++$seed) {
            mt_srand($seed);
            $inBeats = $seed % 2 === 0;
            $bpm = $inBeats ? mt_rand(60, 180) : 120;
            $notes = self::notes();
            $show = self::show($notes, $inBeats, $bpm);
            $bytes = (new MidiExport($show, $show->timelines['song']))->bytes();
            $tracks = (new MidiTracks(new MidiSource($bytes, $inBeats), $show))->notes('');
            self::assertCount(1, $tracks, "seed {$seed}");
            self::assertSame(['Keys', 3], [$tracks[0]['name'], $tracks[0]['does']['channel']]);
            $again = array_map(
                static fn(array $one): array => [$one['at'], $one['note'], $one['velocity'], $one['long']],
                $tracks[0]['does']['notes'],
            );
            self::assertSame(
                array_map(static fn(array $one): array => [$one['note'], $one['velocity']], $notes),
                array_map(static fn(array $one): array => [$one[1], $one[2]], $again),
                "seed {$seed}",
            );
            foreach ($notes as $i => $note) {
                // A tick is a 960th of a quarter note: half a millisecond at 120.
                self::assertEqualsWithDelta(
                    [$note['at'], $note['long']],
                    [$again[$i][0], $again[$i][3]],
                    0.0021,
                    "seed {$seed}, note {$i}",
                );
            }
            $files[] = ['ask' => 'tonejs read', 'bytes' => bin2hex($bytes)];
            $expected[] = array_map(static fn(array $one): float => $inBeats ? $one['at'] * 60 / $bpm : $one['at'], $notes);
        }
        foreach (NodeOracle::ask($files) as $i => $read) {
            $times = array_column($read['notes'], 'time');
            sort($times);
            self::assertEqualsWithDelta($expected[$i], $times, 0.003, "file {$i}");
        }
    }

    public function testAnEmptyTimelineIsAFileTooAndNamesAreKept(): void
    {
        $show = self::show([], false, 120);
        [$read] = NodeOracle::ask([[
            'ask' => 'midi-file read',
            'bytes' => bin2hex((new MidiExport($show, $show->timelines['song']))->bytes()),
        ]]);
        self::assertSame(1, $read['file']['header']['format']);
        self::assertCount(1, $read['file']['tracks']);
        self::assertContains('Song of "ferns"', array_column($read['file']['tracks'][0], 'text'));
    }

    /**
     * @return list<array{id: string, at: float, note: int, velocity: int, long: float}> in the order of time; of one pitch none sounds
     * twice at once
     */
    private static function notes(): array
    {
        $notes = [];
        $at = 0.0;
        for ($i = 0, $count = mt_rand(1, 40); $i < $count; ++$i) {
            $at += mt_rand(10, 800) / 1000;
            $notes[] = [
                'id' => "n{$i}",
                'at' => round($at, 3),
                'note' => 20 + $i % 80,
                'velocity' => mt_rand(1, 127),
                'long' => mt_rand(20, 3000) / 1000,
            ];
        }

        return $notes;
    }

    /** @param list<array<string, mixed>> $notes */
    private static function show(array $notes, bool $inBeats, int $bpm): Show
    {
        $tracks = $notes === []
            ? []
            : [['id' => 'keys', 'name' => 'Keys', 'does' => ['kind' => 'notes', 'port' => 'lectern', 'channel' => 3, 'notes' => $notes]]];

        return ShowReader::fromArray([
            ...Rig::document(),
            ...Evening::show(),
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'tempos' => [['id' => 'main', 'name' => 'Main', 'start' => $bpm]],
            'timelines' => [['id' => 'song', 'name' => 'Song of "ferns"', ...($inBeats ? ['unit' => 'beats', 'tempo' => 'main'] : []), 'tracks' => $tracks]],
        ]);
    }
}
