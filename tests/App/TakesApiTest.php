<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Engine\LiveLink\Role;

/** Takes are kept, laid, made to go round; lines are drawn and told by fewer points. */
final class TakesApiTest extends AppTestCase
{
    private const LANTERN = 'fixture:lantern/level';

    public function testATakeIsKeptAndLaidOnTheTrackThatMovesItsPointOrOnANewOne(): void
    {
        $this->as(Role::Builder);
        $this->song([[
            'id' => 'line',
            'name' => 'Line',
            'does' => ['kind' => 'levels', 'point' => self::LANTERN, 'knots' => [['at' => 0, 'value' => 0], ['at' => 10, 'value' => 100]]],
        ]]);
        $answer = $this->postJson(
            '/api/show/timelines/song/takes',
            ['takes' => [['lanes' => [self::lane(self::LANTERN, 2, 4, [80, 60]), self::lane('value:mood', 1, 2, [3, 4])]]]],
        );
        $answer->assertOk()->assertJsonPath('take', 'take-1');
        $song = $this->timeline('song');
        self::assertSame(['Take 1', 2], [$song['takes'][0]['name'], \count($song['takes'][0]['lanes'])]);
        self::assertEquals(
            [[0, 0], [2, 20], [2, 80], [4, 60], [4, 40], [10, 100]],
            array_map(static fn(array $knot): array => [$knot['at'], $knot['value']], $song['tracks'][0]['does']['knots']),
        );
        self::assertEquals(['"Mood"', 'value:mood'], [$song['tracks'][1]['name'], $song['tracks'][1]['does']['point']]);
        $this->postJson('/api/show/undo')->assertOk();
        self::assertArrayNotHasKey('takes', $this->timeline('song'), 'it was one edit');
        $this->postJson(
            '/api/show/timelines/song/takes',
            ['lays' => false, 'takes' => [['name' => 'First', 'lanes' => [self::lane(self::LANTERN, 2, 4, [80, 60])]], ['name' => 'First', 'lanes' => [self::lane(self::LANTERN, 2, 4, [10, 20])]]]],
        )->assertOk();
        self::assertSame(['first', 'first-2'], array_column($this->timeline('song')['takes'], 'id'));
        self::assertCount(2, $this->timeline('song')['tracks'][0]['does']['knots'], 'kept, and not laid');
        $this->postJson('/api/show/timelines/song/takes/first-2/lay')->assertOk()->assertJsonPath('tracks', 1);
        self::assertEquals(20, $this->timeline('song')['tracks'][0]['does']['knots'][3]['value']);
    }

    public function testWhatIsWrongWithATakeIsSaid(): void
    {
        $this->as(Role::Builder);
        $this->song([]);
        $post = fn(array $takes) => $this->postJson('/api/show/timelines/song/takes', ['takes' => $takes]);
        $post([['lanes' => [self::lane('fixture:gone/level', 0, 1, [1])]]])
            ->assertStatus(422)
            ->assertJsonPath('faults.0.problem', 'there is no point "fixture:gone/level"');
        $post([['lanes' => [['from' => 0, 'to' => 1, 'knots' => [['at' => 'soon']]]]]])->assertStatus(422);
        $post([])->assertStatus(422);
        $this->postJson('/api/show/timelines/song/takes/none/lay')->assertStatus(422);
        $this->postJson('/api/show/timelines/gone/takes/none/lay')->assertStatus(404);
        $this->as(Role::Operator)->postJson('/api/show/timelines/song/takes/none/lay')->assertStatus(403);
    }

    public function testATakeGoesRoundOnTheBeatAsLongAsALookIsOn(): void
    {
        $this->as(Role::Builder);
        $this->song([]);
        $this->postJson(
            '/api/show/timelines/song/takes',
            ['lays' => false, 'takes' => [['name' => 'Sway', 'lanes' => [self::lane(self::LANTERN, 3, 5, [0, 100, 0])]]]],
        )->assertOk();
        $id = $this->postJson('/api/show/timelines/song/takes/sway/loop', ['beats' => 8, 'look' => 'moss'])->assertOk()->json('timeline');
        $made = $this->timeline($id);
        self::assertEquals(['Sway, Song', 'beats', 8, true], [$made['name'], $made['unit'], $made['length'], $made['loop']]);
        self::assertEquals(
            [[0, 0], [4, 100], [8, 0]],
            array_map(static fn(array $knot): array => [$knot['at'], $knot['value']], $made['tracks'][0]['does']['knots']),
        );
        $routes = collect($this->getJson('/api/show')->json('document.routes'))->filter(static fn(array $route): bool => str_contains(
            json_encode($route['do'] ?? [], JSON_THROW_ON_ERROR),
            "timeline:{$id}",
        ));
        self::assertEquals(
            [[1, "timeline:{$id}/play"], [0, "timeline:{$id}/stop"]],
            $routes->map(static fn(array $route): array => [$route['when'][0]['is'], $route['do'][0]['point']])->values()->all(),
        );
        $this->postJson('/api/show/timelines/song/takes/sway/loop', [])->assertOk();
        self::assertEquals(2, $this->timeline('sway-song-2')['length'], 'as long as it took');
        $this->postJson('/api/show/timelines/song/takes/sway/loop', ['look' => 'gone'])->assertStatus(422);
    }

    public function testALineIsDrawnByHandAndToldByFewerPoints(): void
    {
        $this->as(Role::Builder);
        $this->song([
            ['id' => 'line', 'name' => 'Line', 'does' => ['kind' => 'levels', 'point' => self::LANTERN]],
            ['id' => 'shut', 'name' => 'Shut', 'locked' => true, 'does' => ['kind' => 'levels']],
        ]);
        $samples = array_map(static fn(int $i): array => [$i / 50, 50 + 40 * sin($i / 50)], range(0, 300));
        $after = $this->postJson('/api/show/timelines/song/drawn', ['track' => 'line', 'samples' => $samples, 'tolerance' => 0.2])
            ->assertOk()
            ->json('after');
        self::assertLessThan(60, $after);
        $thin = $this->postJson('/api/show/timelines/song/thin', ['track' => 'line', 'tolerance' => 3])->assertOk()->json();
        self::assertSame($after, $thin['before']);
        self::assertLessThan($after / 2, $thin['after']);
        self::assertTrue($thin['off'] > 0.2 && $thin['off'] <= 3.0);
        foreach ([
            ['track' => 'shut'],
            ['track' => 'gone'],
            ['track' => 'line', 'samples' => [[0, 1]]],
            ['track' => 'line', 'samples' => [[0, 1], ['now', 2]]],
        ] as $wrong) {
            $this->postJson('/api/show/timelines/song/drawn', ['samples' => $samples, 'tolerance' => 1, ...$wrong])->assertStatus(422);
        }
    }

    public function testWhatIsDeletedIsForgottenByTakesToo(): void
    {
        $this->as(Role::Builder);
        $this->song([]);
        $this->postJson(
            '/api/show/timelines/song/takes',
            ['lays' => false, 'takes' => [['lanes' => [self::lane('value:mood', 1, 2, [3, 4])]]]],
        )->assertOk();
        $this->deleteJson('/api/show/values/mood')->assertOk();
        self::assertArrayNotHasKey('point', $this->timeline('song')['takes'][0]['lanes'][0]);
        $this->postJson('/api/show/timelines/song/takes/take-1/lay')->assertOk()->assertJsonPath('tracks', 0);
    }

    /** @param list<array<string, mixed>> $tracks */
    private function song(array $tracks): void
    {
        $this->postJson('/api/show/values', ['name' => 'Mood', 'type' => 'number', 'low' => 0, 'high' => 9])->assertOk();
        $this->postJson('/api/show/timelines', ['name' => 'Song', ...($tracks === [] ? [] : ['tracks' => $tracks])])->assertOk();
    }

    /**
     * @param list<int> $values from its begin to its end, evenly
     *
     * @return array<string, mixed>
     */
    private static function lane(string $point, float $from, float $to, array $values): array
    {
        $step = ($to - $from) / max(1, \count($values) - 1);
        $knots = array_map(static fn(int $i): array => ['at' => $from + $i * $step, 'value' => $values[$i]], array_keys($values));

        return ['from' => $from, 'to' => $to, 'point' => $point, 'knots' => $knots, 'samples' => \count($values), 'off' => 0.1];
    }

    /** @return array<string, mixed> */
    private function timeline(string $id): array
    {
        return collect($this->getJson('/api/show')->json('document.timelines'))->firstWhere('id', $id);
    }
}
