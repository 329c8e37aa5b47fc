<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Models\Edit;
use App\Models\User;
use App\Shows\ShowStore;
use Illuminate\Testing\TestResponse;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Engine\LiveLink\Role;

/** Two builders in one show: whatever both do in whatever order, the show is sound, and all of it can be undone. */
final class TwoPeopleTest extends AppTestCase
{
    private User $ada;
    private User $ben;

    protected function setUp(): void
    {
        parent::setUp();
        foreach (['ada', 'ben'] as $name) {
            $this->{$name} = User::query()->create(['name' => ucfirst($name), 'password' => 'greenhouse', 'role' => Role::Builder]);
        }
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach ([5, 8, 9] as $seed) {
            yield "walk {$seed}" => [$seed];
        }
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('seeds')]
    public function testAnyWalkOfTwoEndsSoundAndUndoingAllGivesTheFirstByteForByte(int $seed): void
    {
        mt_srand($seed);
        $first = $this->store()->json();
        $done = [];
        for ($step = 0; $step < 60; ++$step) {
            $this->actingAs(mt_rand(0, 1) === 0 ? $this->ada : $this->ben);
            $answer = $this->move($step);
            self::assertContains($answer->status(), [200, 404, 409, 422], (string) $answer->getContent());
            $done[$answer->status()] = true;
            ShowReader::fromArray($this->store()->document());
        }
        self::assertArrayHasKey(200, $done);
        for ($i = 0; $i < 400 && $this->isUndone() !== true; ++$i) {
            $this->actingAs(mt_rand(0, 1) === 0 ? $this->ada : $this->ben);
            $answer = $this->postJson('/api/show/undo');
            self::assertContains($answer->status(), [200, 409, 422], (string) $answer->getContent());
            ShowReader::fromArray($this->store()->document());
        }
        self::assertTrue($this->isUndone(), 'something could not be undone');
        self::assertSame($first, $this->store()->json());
    }

    public function testUndoTakesOnesOwnFirstAndThenNamesWhoseItTakes(): void
    {
        $this->rename($this->ada, 'house-desk', 'Ada was here');
        $this->rename($this->ben, 'guest-desk', 'Ben was here');
        $page = $this->actingAs($this->ada)->getJson('/api/show');
        self::assertSame(['change port "Ada was here"', 'Ada'], [$page->json('undo'), $page->json('undoBy')]);
        $this->postJson('/api/show/undo')->assertOk()->assertJsonPath('undoneBy', 'Ada')->assertJsonPath('undoBy', 'Ben');
        self::assertSame(['House desk', 'Ben was here'], $this->names());
        $this->postJson('/api/show/redo')->assertOk()->assertJsonPath('undoBy', 'Ada');
        $this->postJson('/api/show/undo')->assertOk();
        $this->postJson('/api/show/undo')
            ->assertOk()
            ->assertJsonPath('undoneBy', 'Ben')
            ->assertJsonPath('undone', 'change port "Ben was here"');
        self::assertSame(['House desk', 'Guest desk'], $this->names());
        $this->actingAs($this->ben)->getJson('/api/show')->assertJsonPath('redo', null);
    }

    public function testWhatAnotherHasChangedSinceIsUndoneFirst(): void
    {
        $this->rename($this->ada, 'house-desk', 'Ada was here');
        $this->rename($this->ben, 'house-desk', 'Ben was here');
        $page = $this->actingAs($this->ada)->getJson('/api/show');
        self::assertSame(['change port "Ben was here"', 'Ben'], [$page->json('undo'), $page->json('undoBy')]);
        $adas = Edit::query()->where('user_id', $this->ada->id)->firstOrFail();
        $this->postJson('/api/show/undo', ['edit' => $adas->id])->assertConflict()->assertJsonPath(
            'message',
            '"Ben was here" has been changed since "change port "Ada was here"", by Ben (change port "Ben was here"). Nothing was changed: undo that one first.',
        );
        $this->postJson('/api/show/undo')->assertJsonPath('undoneBy', 'Ben');
        $this->postJson('/api/show/undo')->assertJsonPath('undoneBy', 'Ada');
        self::assertSame(['House desk', 'Guest desk'], $this->names());
    }

    public function testFieldsThatOnlyOneHasChangedStandBesideEachOther(): void
    {
        $seen = $this->actingAs($this->ada)->getJson('/api/show');
        $mine = array_column($seen->json('document.ports'), null, 'id')['house-desk'];
        $this->actingAs($this->ben)->putJson('/api/show/ports/house-desk', [...$mine, 'name' => 'Theirs', 'enabled' => false])->assertOk();
        $refused = $this->actingAs($this->ada)->putJson(
            '/api/show/ports/house-desk',
            [...$mine, 'name' => 'Mine', 'receive' => [...$mine['receive'], 'priority' => 120]],
            ['X-Base-Revision' => (string) $seen->json('revision')],
        )->assertConflict();
        $conflict = $refused->json('conflicts.0');
        self::assertSame(['ports', 'house-desk', 'Ben', false], [$conflict['list'], $conflict['id'], $conflict['by'], $conflict['gone']]);
        self::assertEqualsCanonicalizing(
            [
                ['field' => 'name', 'was' => 'House desk', 'theirs' => 'Theirs', 'mine' => 'Mine', 'both' => true],
                ['field' => 'enabled', 'was' => null, 'theirs' => false, 'mine' => null, 'both' => false],
                ['field' => 'receive/priority', 'was' => 100, 'theirs' => 100, 'mine' => 120, 'both' => false],
            ],
            $conflict['fields'],
        );
        self::assertSame(
            ['Theirs', false, 120],
            [$conflict['joined']['name'], $conflict['joined']['enabled'], $conflict['joined']['receive']['priority']],
        );
        $this->putJson(
            '/api/show/ports/house-desk',
            [...$conflict['joined'], 'name' => 'Both'],
            ['X-Base-Revision' => (string) ($seen->json('revision') + 1)],
        )->assertOk();
        self::assertSame('Both', $this->names()[0]);
    }

    private function move(int $step): TestResponse
    {
        $document = $this->store()->document();
        $list = ['ports', 'routes', 'universes', 'fixtures', 'values'][mt_rand(0, 4)];
        $ids = array_column($document[$list], 'id');
        $id = $ids === [] ? 'none' : $ids[array_rand($ids)];
        $part = array_column($document[$list], null, 'id')[$id] ?? ['name' => 'None', 'type' => 'switch'];
        $other = $ids === [] ? null : $ids[array_rand($ids)];

        return match (mt_rand(0, 9)) {
            0, 1 => $this->putJson("/api/show/{$list}/{$id}", [...$part, 'name' => "Name {$step}"]),
            2 => $this->putJson(
                "/api/show/{$list}/{$id}",
                \array_key_exists('enabled', $part) ? array_diff_key($part, ['enabled' => 0]) : ['enabled' => false, ...$part],
            ),
            3 => $this->postJson("/api/show/{$list}", [...array_diff_key($part, ['id' => 0]), 'name' => "New {$step}"]),
            4 => $this->deleteJson("/api/show/{$list}/{$id}"),
            5 => $this->postJson("/api/show/{$list}/batch", ['ids' => [$id], 'before' => $other === $id ? null : $other]),
            6 => $this->patchJson('/api/show', mt_rand(0, 1) === 0 ? ['name' => "Show {$step}"] : ['middleC' => mt_rand(3, 5)]),
            7 => $this->postJson('/api/show/redo'),
            default => $this->postJson('/api/show/undo'),
        };
    }

    private function isUndone(): bool
    {
        return Edit::standing($this->store()->current())->doesntExist();
    }

    private function rename(User $who, string $id, string $name): void
    {
        $port = array_column($this->store()->document()['ports'], null, 'id')[$id];
        $this->actingAs($who)->putJson("/api/show/ports/{$id}", [...$port, 'name' => $name])->assertOk();
    }

    /** @return list<string> */
    private function names(): array
    {
        return \array_slice(array_column($this->store()->document()['ports'], 'name'), 0, 2);
    }

    private function store(): ShowStore
    {
        return app(ShowStore::class);
    }
}
