<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Furnishing\MidiExport;
use NimbleJunction\Core\Furnishing\MidiSource;
use NimbleJunction\Core\Furnishing\MidiTracks;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\NodeOracle;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Notes on a timeline: each begins and ends, whatever becomes of the timeline meanwhile; and as a MIDI file others read the same. */
final class NoteTrackTest extends TestCase
{
    public function testEachNoteBeginsAndEndsInItsTime(): void
    {
        $evening = self::evening();
        $evening->press('timeline:song/play');
        $left = $evening->rig->pass(4.0);
        self::assertSame(['90 3c 64', '80 3c 40', '90 3c 50', '90 40 64', '80 3c 40', '80 40 40'], self::midi($left));
        $at = array_column(array_values(array_filter($left, static fn(array $one): bool => self::midi([$one]) !== [])), 0);
        self::assertEqualsWithDelta(
            [1.0, 2.0, 2.0, 2.5, 3.0, 3.5],
            array_map(static fn(float $one): float => $one - 1000.0, $at),
            0.001,
            'of one pitch the first ends where the second begins',
        );
    }

    public function testANoteEndsWhereTheTimelineIsPausedStoppedJumpedTurnedOrEdited(): void
    {
        foreach (['pause', 'stop', 'jump', 'edit', 'round'] as $deed) {
            $evening = self::evening($deed === 'round' ? ['length' => 1.5, 'loop' => true] : []);
            $evening->press('timeline:song/play');
            self::assertSame(['90 3c 64'], self::midi($evening->rig->pass(1.2)), $deed);
            $junction = $evening->rig->junction;
            $now = $evening->rig->nanos();
            $packets = match ($deed) {
                'pause', 'stop' => $junction->press(Evening::point("timeline:song/{$deed}"), new Act('a', 'Ada'), $now)[1],
                'jump' => $junction->set(Evening::point('timeline:song'), 0.0, new Act('a', 'Ada'), $now)[1],
                default => [],
            };
            if ($deed === 'edit') {
                $evening->rig->adopt([...$evening->rig->document, 'timelines' => [self::song(['note' => 'edited'])]]);
            }
            $ends = [...array_map(static fn($one): array => [0.0, $one], $packets), ...$evening->rig->pass($deed === 'round' ? 0.4 : 0.05)];
            self::assertSame(['80 3c 40'], self::midi($ends), "{$deed}: no note hangs");
            self::assertSame(
                [],
                array_filter(self::midi($evening->rig->pass(0.3)), static fn(string $one): bool => $one === '80 3c 40'),
                "{$deed}: it ends once",
            );
        }
    }

    public function testOthersReadTheFileThatItBecomesAndItComesInAgainAsItWas(): void
    {
        $show = self::show(['notes' => [['id' => 'kick', 'name' => 'Kick', 'note' => 36, 'channel' => 10]]]);
        $bytes = (new MidiExport($show, $show->timelines['song']))->bytes();
        [$theirs, $parsed] = NodeOracle::ask([
            ['ask' => 'tonejs read', 'bytes' => bin2hex($bytes)],
            ['ask' => 'midi-file read', 'bytes' => bin2hex($bytes)],
        ]);
        $notes = $theirs['notes'];
        usort($notes, static fn(array $a, array $b): int => [$a['time'], $a['midi']] <=> [$b['time'], $b['midi']]);
        self::assertEqualsWithDelta([0.5, 1.0, 2.0, 2.5], array_column($notes, 'time'), 0.001);
        self::assertSame([36, 60, 60, 64], array_column($notes, 'midi'));
        self::assertStringContainsString('Verse', json_encode($parsed, JSON_THROW_ON_ERROR));
        self::assertStringContainsString(
            'Unheard',
            json_encode($parsed, JSON_THROW_ON_ERROR),
            'a trigger that no note was agreed for is a cue point',
        );
        $tracks = (new MidiTracks(new MidiSource($bytes, false), $show))->notes('lectern');
        $again = array_merge(...array_map(
            static fn(array $track): array => $track['does']['notes'],
            array_filter($tracks, static fn(array $track): bool => $track['name'] === 'Keys'),
        ));
        self::assertEquals(
            [[1.0, 60, 100, 1.0], [2.0, 60, 80, 1.0], [2.5, 64, 100, 1.0]],
            array_map(static fn(array $one): array => [$one['at'], $one['note'], $one['velocity'], $one['long']], $again),
        );
    }

    public function testAPortThatCannotPlayThemIsRefusedOnce(): void
    {
        foreach (['tablet', 'gone'] as $port) {
            try {
                self::show([], ['port' => $port]);
                self::fail($port);
            } catch (ShowRefused $refused) {
                self::assertSame(1, substr_count($refused->getMessage(), 'is no MIDI port that sends'));
            }
        }
    }

    /** @param array<string, mixed> $changes to the song */
    private static function evening(array $changes = []): Evening
    {
        return new Evening(['ports' => [...Rig::document()['ports'], Rig::CABLE], 'timelines' => [self::song($changes)]]);
    }

    /**
     * @param array<string, mixed> $changes to the show
     * @param array<string, mixed> $track
     */
    private static function show(array $changes = [], array $track = []): \NimbleJunction\Core\Show\Show
    {
        return ShowReader::fromArray([
            ...Rig::document(),
            ...Evening::show(),
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'timelines' => [self::song([], $track)],
            ...$changes,
        ]);
    }

    /**
     * @param array<string, mixed> $changes
     * @param array<string, mixed> $track
     *
     * @return array<string, mixed>
     */
    private static function song(array $changes = [], array $track = []): array
    {
        return ['id' => 'song', 'name' => 'Song', 'length' => 10, 'markers' => [['id' => 'v', 'at' => 1, 'name' => 'Verse']], 'tracks' => [
            ['id' => 'keys', 'name' => 'Keys', 'does' => ['kind' => 'notes', 'port' => 'lectern', 'channel' => 1, ...$track, 'notes' => [
                ['id' => 'a', 'at' => 1, 'note' => 60, 'long' => 1], ['id' => 'b', 'at' => 2, 'note' => 60, 'velocity' => 80, 'long' => 1], ['id' => 'c', 'at' => 2.5, 'note' => 64, 'long' => 1],
            ]]],
            ['id' => 'marks', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => [['id' => 'k', 'at' => 0.5, 'name' => 'Kick'], ['id' => 'u', 'at' => 3, 'name' => 'Unheard']]]],
        ], ...$changes];
    }

    /**
     * @param list<array{float, \NimbleJunction\Core\Port\OutgoingPacket}> $packets
     *
     * @return list<string> notes, as bytes in hexadecimal
     */
    private static function midi(array $packets): array
    {
        $bytes = array_map(static fn(array $one): string => $one[1]->bytes, $packets);

        return array_values(array_map(
            static fn(string $one): string => implode(' ', str_split(bin2hex($one), 2)),
            array_filter(
                $bytes,
                static fn(string $one): bool => \strlen($one) === 3 && \in_array(\ord($one[0]) & 0xF0, [0x80, 0x90], true),
            ),
        ));
    }
}
