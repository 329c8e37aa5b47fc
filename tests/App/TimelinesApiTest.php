<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Core\Wire\MidiFile\Division;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\File;
use NimbleJunction\Core\Wire\MidiFile\Track;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\NodeOracle;

/** Timelines as they are stored: built, refused with the place of what is wrong, and what becomes of them when something is deleted. */
final class TimelinesApiTest extends AppTestCase
{
    public function testATimelineIsAddedChangedAndTakenBack(): void
    {
        $this->as(Role::Builder);
        $track = [
            'id' => 'line',
            'name' => 'Line',
            'does' => ['kind' => 'levels', 'point' => 'fixture:lantern/level', 'knots' => [['at' => 1, 'value' => 20, 'to' => 'smooth']]],
        ];
        $id = $this->postJson('/api/show/timelines', ['name' => 'Encore', 'tracks' => [$track]])->assertOk()->json('id');
        self::assertSame('encore', $id);
        $this->putJson('/api/show/timelines/encore', ['name' => 'Encore', 'tracks' => []])->assertOk();
        $this->postJson('/api/show/undo')->assertOk();
        self::assertEquals([$track], $this->timeline('encore')['tracks']);
        $this->as(Role::Operator)->putJson('/api/show/timelines/encore', ['name' => 'Encore'])->assertStatus(403);
    }

    public function testWhatIsDeletedIsForgottenAndWhatIsFollowedIsNot(): void
    {
        $this->as(Role::Builder);
        $this->postJson('/api/show/values', ['name' => 'Lamp', 'type' => 'number', 'low' => 0, 'high' => 9])->assertOk();
        $press = ['kind' => 'press', 'point' => 'look:moss'];
        $this->postJson('/api/show/timelines', ['name' => 'Encore', 'tracks' => [
            ['id' => 'line', 'name' => 'Line', 'does' => ['kind' => 'levels', 'point' => 'value:lamp', 'knots' => [['at' => 1, 'value' => 2]]]],
            ['id' => 'marks', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => [
                ['id' => 'one', 'at' => 1, 'do' => [['kind' => 'set', 'point' => 'value:lamp', 'value' => 4], $press]],
            ]]],
        ]])->assertOk();
        $this->deleteJson('/api/show/values/lamp')->assertOk();
        self::assertEquals(['kind' => 'levels', 'knots' => [['at' => 1, 'value' => 2]]], $this->track('encore', 'line')['does']);
        self::assertEquals([$press], $this->track('encore', 'marks')['does']['triggers'][0]['do'], 'all else that it does stays');
        $this->postJson('/api/show/undo')->assertOk();
        self::assertSame('value:lamp', $this->track('encore', 'line')['does']['point']);
        $this->deleteJson('/api/show/timecodes/tape')
            ->assertStatus(422)
            ->assertJsonPath('faults.0.problem', 'there is no time code "tape"');
    }

    public function testNotesOfAMidiFileBecomeTriggersThatPressTheRoutesTheyWouldSetOff(): void
    {
        $this->as(Role::Builder);
        $this->postJson('/api/show/notes', ['name' => 'First beat', 'note' => 36, 'channel' => 10])->assertOk();
        $file = (new File(1, Division::perQuarter(480), [
            new Track([
                Event::tempo(0, 500000),
                Event::meta(480, Event::MARKER, 'Verse'),
                Event::tempo(480, 1000000),
                Event::meta(0, Event::END_OF_TRACK),
            ]),
            new Track([
                Event::meta(0, Event::TRACK_NAME, 'Kicks'),
                Event::channel(0, "\x99\x24\x64"), Event::channel(240, "\x99\x24\x00"),
                Event::channel(720, "\x90\x3c\x64"), Event::channel(480, "\x80\x3c\x40"),
                Event::channel(0, "\x99\x24\x64"), Event::channel(240, "\x89\x24\x40"), Event::meta(0, Event::END_OF_TRACK),
            ]),
        ]))->encode();
        $send = fn(string $id, string $bytes) => $this->call(
            'POST',
            "/api/show/timelines/{$id}/midi",
            server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/octet-stream'],
            content: $bytes,
        );
        $send('before-doors', $file)->assertOk()->assertJsonPath('tracks', 1)->assertJsonPath('triggers', 3);
        $track = $this->track('before-doors', 'kicks');
        // The times of these notes by @tonejs/midi, which knows nothing of ours.
        [$read] = NodeOracle::ask([['ask' => 'tonejs read', 'bytes' => bin2hex($file)]]);
        $theirs = array_column($read['notes'], 'time');
        sort($theirs);
        self::assertEqualsWithDelta($theirs, array_column($track['does']['triggers'], 'at'), 0.001);
        self::assertSame(['First beat', 'C4', 'First beat'], array_column($track['does']['triggers'], 'name'));
        self::assertSame(
            [['kind' => 'press', 'point' => 'route:kick']],
            array_map(
                static fn(array $one): array => ['kind' => $one['kind'], 'point' => $one['point']],
                $track['does']['triggers'][0]['do'],
            ),
        );
        self::assertSame([], $track['does']['triggers'][1]['do']);
        self::assertEquals([['id' => 'verse', 'at' => 0.5, 'name' => 'Verse']], $this->timeline('before-doors')['markers']);
        $this->postJson('/api/show/undo')->assertOk();
        self::assertCount(1, $this->timeline('before-doors')['tracks']);
        foreach ([
            '',
            'MThd',
            '{}',
            (new File(0, Division::perQuarter(96), [new Track([Event::meta(0, Event::END_OF_TRACK)])]))->encode(),
        ] as $wrong) {
            $send('before-doors', $wrong)->assertStatus(422);
        }
        $send('gone', $file)->assertStatus(404);
        $this->as(Role::Operator);
        $send('before-doors', $file)->assertStatus(403);
    }

    public function testNotesOfAMidiFileArePlayedAgainAndATimelineGoesOutAsOne(): void
    {
        $this->as(Role::Builder);
        $file = (new File(1, Division::perQuarter(480), [new Track([
            Event::meta(0, Event::TRACK_NAME, 'Organ'),
            Event::channel(960, "\x91\x3c\x64"),
            Event::channel(480, "\x81\x3c\x40"),
            Event::channel(0, "\x92\x40\x20"),
            Event::meta(0, Event::END_OF_TRACK),
        ])]))->encode();
        $send = fn(string $query) => $this->call(
            'POST',
            "/api/show/timelines/before-doors/midi?{$query}",
            server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/octet-stream'],
            content: $file,
        );
        $send('as=notes&port=lectern')->assertOk()->assertJsonPath('tracks', 2)->assertJsonPath('triggers', 2);
        self::assertEquals(
            ['kind' => 'notes', 'port' => 'lectern', 'channel' => 2, 'notes' => [['id' => 'n1', 'at' => 1, 'note' => 60, 'velocity' => 100, 'long' => 0.5]]],
            $this->track('before-doors', 'organ')['does'],
        );
        $send('as=notes&port=house-desk')->assertStatus(422);
        $out = (string) $this->get('/api/show/timelines/before-doors/midi')
            ->assertOk()
            ->assertHeader('Content-Type', 'audio/midi')
            ->getContent();
        [$read] = NodeOracle::ask([['ask' => 'tonejs read', 'bytes' => bin2hex($out)]]);
        self::assertEqualsWithDelta([1.0, 1.5], array_column($read['notes'], 'time'), 0.001);
        $this->get('/api/show/timelines/gone/midi')->assertNotFound();
    }

    public function testTemposAndControllersOfAFileAreTakenWhereTheyAreAskedFor(): void
    {
        $this->as(Role::Builder);
        $file = (new File(1, Division::perQuarter(480), [
            new Track([Event::tempo(0, 500000), Event::tempo(960, 600000), Event::meta(0, Event::END_OF_TRACK)]),
            new Track([Event::channel(0, "\xb0\x0b\x40"), Event::channel(960, "\xb0\x0b\x60"), Event::meta(0, Event::END_OF_TRACK)]),
        ]))->encode();
        $send = fn(string $query) => $this->call(
            'POST',
            "/api/show/timelines/before-doors/midi?{$query}",
            server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/octet-stream'],
            content: $file,
        );
        $send('as=triggers')->assertStatus(422)->assertJsonPath('faults.0.problem', 'there are no notes in that file, only controllers');
        $send('as=triggers&tempo=1')->assertOk()->assertJsonPath('tempos', 2)->assertJsonPath('left', 1)->assertJsonPath('tracks', 0);
        self::assertEquals(
            [['at' => 0, 'bpm' => 120, 'bar' => 4], ['at' => 1, 'bpm' => 100, 'bar' => 4]],
            $this->timeline('before-doors')['changes'],
        );
        $send('as=notes&port=lectern')->assertOk()->assertJsonPath('controls', 1)->assertJsonPath('tempos', 0);
        self::assertSame(
            'midi:lectern/1/11',
            $this->track('before-doors', 'midi-2-controller-11-expression-on-channel-1')['does']['point'],
        );
        self::assertCount(2, $this->timeline('before-doors')['changes'], 'what was not asked for stays');
        $this->deleteJson('/api/show/ports/lectern');
        $this->getJson('/api/show')->assertOk();
    }

    public function testFaultsAreSaidWithTheirPlace(): void
    {
        $this->as(Role::Builder);
        foreach ([
            [['tracks' => [['id' => 'a', 'name' => 'A', 'does' => ['kind' => 'sounds']]]], 'tracks/0/does/kind'],
            [['tracks' => [['id' => 'a', 'name' => 'A', 'does' => ['kind' => 'levels', 'knots' => [['at' => 1]]]]]], 'tracks/0/does/knots/0/value'],
            [['tracks' => [['id' => 'a', 'name' => 'A', 'does' => ['kind' => 'levels', 'point' => 'timeline:fern-song/position']]]], 'tracks/0/does/point'],
            [['unit' => 'beats', 'timecode' => 'tape'], 'timecode'],
            [['startsAt' => '1:2:3'], 'startsAt'],
            [['length' => 90000], 'length'],
        ] as [$changes, $path]) {
            $faults = $this->postJson('/api/show/timelines', ['name' => 'Wrong', ...$changes])->assertStatus(422)->json('faults');
            self::assertStringContainsString($path, implode(' ', array_column($faults, 'path')), json_encode($faults, JSON_THROW_ON_ERROR));
        }
        $this->postJson('/api/show/timecodes', ['name' => 'Wrong', 'from' => ['palm-dimmers']])->assertStatus(422);
    }

    /** @return array<string, mixed> */
    private function timeline(string $id): array
    {
        return collect($this->getJson('/api/show')->json('document.timelines'))->firstWhere('id', $id);
    }

    /** @return array<string, mixed> */
    private function track(string $timeline, string $id): array
    {
        return collect($this->timeline($timeline)['tracks'])->firstWhere('id', $id);
    }
}
