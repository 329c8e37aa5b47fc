<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Engine\LiveLink\Role;

/** Timelines as they are stored: built, refused with the place of what is wrong, and what becomes of them when something is deleted. */
final class TimelinesApiTest extends AppTestCase
{
    public function testATimelineIsAddedChangedAndTakenBack(): void
    {
        $this->as(Role::Builder);
        $track = ['id' => 'line', 'name' => 'Line', 'does' => ['kind' => 'levels', 'point' => 'fixture:lantern/level', 'knots' => [['at' => 1, 'value' => 20, 'to' => 'smooth']]]];
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
        $this->deleteJson('/api/show/timecodes/tape')->assertStatus(422)->assertJsonPath('faults.0.problem', 'there is no time code "tape"');
    }

    public function testFaultsAreSaidWithTheirPlace(): void
    {
        $this->as(Role::Builder);
        foreach ([
            [['tracks' => [['id' => 'a', 'name' => 'A', 'does' => ['kind' => 'notes']]]], 'tracks/0/does/kind'],
            [['tracks' => [['id' => 'a', 'name' => 'A', 'does' => ['kind' => 'levels', 'knots' => [['at' => 1]]]]]], 'tracks/0/does/knots/0/value'],
            [['tracks' => [['id' => 'a', 'name' => 'A', 'does' => ['kind' => 'levels', 'point' => 'timeline:fern-song/position']]]], 'tracks/0/does/point'],
            [['unit' => 'beats', 'timecode' => 'tape'], 'timecode'],
            [['startsAt' => '1:2:3'], 'startsAt'],
            [['length' => 90000], 'length'],
        ] as [$changes, $path]) {
            $faults = $this->postJson('/api/show/timelines', ['name' => 'Wrong', ...$changes])->assertStatus(422)->json('faults');
            self::assertStringContainsString($path, implode(' ', array_column($faults, 'path')), json_encode($faults, JSON_THROW_ON_ERROR));
        }
        $this->postJson('/api/show/timecodes', ['name' => 'Wrong', 'from' => ['guides-tablet']])->assertStatus(422);
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
