<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Models\Edit;
use App\Models\User;
use App\Shows\EditLog;
use App\Shows\ShowStore;
use Illuminate\Support\Facades\Artisan;
use NimbleJunction\Engine\LiveLink\Role;

/** The history of a show, on its page and at the command line: read, named, gone back in, and joined when it grows. */
final class HistoryTest extends AppTestCase
{
    public function testItSaysWhoWhenAndWhatWithTheDifferenceInWords(): void
    {
        $this->as(Role::Builder);
        $port = array_column(app(ShowStore::class)->document()['ports'], null, 'id')['house-desk'];
        $this->putJson('/api/show/ports/house-desk', [...$port, 'name' => 'Desk', 'receive' => [...$port['receive'], 'priority' => 120]])
            ->assertOk();
        $this->deleteJson('/api/show/ports/lily-laser')->assertOk();
        $this->postJson('/api/show/universes', ['name' => 'Roof'])->assertOk();
        $this->postJson('/api/show/ports/batch', ['ids' => ['guest-desk'], 'before' => 'house-desk'])->assertOk();
        $this->postJson('/api/show/undo')->assertOk();
        $history = $this->as(Role::Viewer)->getJson('/api/show/history')->assertOk();
        self::assertSame(
            ['undo: move 1 port', 'move 1 port', 'add universe "Roof"', 'delete port "lily-laser"', 'change port "Desk"'],
            array_column($history->json('edits'), 'what'),
        );
        self::assertSame(
            ['builder', 'undo', false],
            [$history->json('edits.0.by'), $history->json('edits.0.kind'), $history->json('more')],
        );
        self::assertTrue($history->json('edits.1.undone'));
        $difference = fn(int $i): array => $this->getJson("/api/show/history/{$history->json("edits.{$i}.id")}")->assertOk()->json();
        self::assertSame([['what' => 'port "Desk"', 'differences' => [
            ['field' => 'name', 'was' => '"House desk"', 'is' => '"Desk"'],
            ['field' => 'receive/priority', 'was' => '100', 'is' => '120'],
        ]]], $difference(4)['lines']);
        self::assertSame('port "Lily Pond laser" deleted', $difference(3)['lines'][0]['what']);
        self::assertSame('universe "Roof" added', $difference(2)['lines'][0]['what']);
        self::assertSame('port "Guest desk" moved', $difference(1)['lines'][0]['what']);
        $older = $this->getJson("/api/show/history?before={$history->json('edits.2.id')}")->json('edits');
        self::assertSame(['delete port "lily-laser"', 'change port "Desk"'], array_column($older, 'what'));
        $this->getJson('/api/show/history/777')->assertNotFound();
    }

    public function testAnyPointCanBeNamedAndGoneBackToAndThatIsUndone(): void
    {
        $this->as(Role::Builder);
        $documents = [];
        foreach (['One', 'Two', 'Three', 'Four'] as $name) {
            $this->patchJson('/api/show', ['name' => $name])->assertOk();
            $this->postJson('/api/show/universes', ['name' => "Of {$name}"])->assertOk();
            $documents[$name] = app(ShowStore::class)->json();
        }
        $edits = array_column($this->getJson('/api/show/history')->json('edits'), null, 'what');
        $two = $edits['add universe "Of Two"']['id'];
        $this->patchJson("/api/show/history/{$two}", ['point' => '  Before the rehearsal '])
            ->assertOk()
            ->assertJsonPath('point', 'Before the rehearsal');
        $way = $this->getJson("/api/show/history/{$two}/way-back")->assertOk()->json('lines');
        self::assertSame(['the show', 'universe "Of Three" deleted', 'universe "Of Four" deleted'], array_column($way, 'what'));
        self::assertSame([['field' => 'name', 'was' => '"Four"', 'is' => '"Two"']], $way[0]['differences']);
        $this->postJson("/api/show/history/{$two}/go-back")->assertOk()->assertJsonPath('undo', 'go back to "Before the rehearsal"');
        self::assertSame($documents['Two'], app(ShowStore::class)->json());
        $this->postJson('/api/show/undo')->assertOk();
        self::assertSame($documents['Four'], app(ShowStore::class)->json());
        $this->patchJson("/api/show/history/{$two}", ['point' => null])->assertOk()->assertJsonPath('point', null);
        $this->as(Role::Operator)->postJson("/api/show/history/{$two}/go-back")->assertForbidden();
        $this->patchJson("/api/show/history/{$two}", ['point' => 'x'])->assertForbidden();
    }

    public function testBeyondItsSizeTheOldestAreJoinedAndEveryPointThatIsLeftCanBeGoneBackTo(): void
    {
        $this->as(Role::Builder);
        $documents = [];
        for ($i = 0; $i < 320; ++$i) {
            app(ShowStore::class)->amend(
                "edit {$i}",
                null,
                static fn($draft) => $draft->put('universes', 'canopy', ['name' => str_repeat('N', 60).$i]),
            );
            $documents[app(ShowStore::class)->current()->revision] = app(ShowStore::class)->json();
        }
        $show = app(ShowStore::class)->current();
        $show->edits()->orderBy('id')->skip(30)->firstOrFail()->update(['point' => 'Kept']);
        $bytes = EditLog::bytes($show);
        EditLog::compact($show, intdiv($bytes * 4, 5));
        self::assertLessThanOrEqual(intdiv($bytes * 4, 5), EditLog::bytes($show));
        self::assertSame(320, (int) $show->edits()->sum('joined'), 'all are still counted');
        self::assertSame(1, $show->edits()->where('point', 'Kept')->count());
        $oldest = $show->edits()->orderBy('id')->firstOrFail();
        self::assertSame('31 edits, from "edit 0" to "edit 30"', $oldest->summary, 'up to the point that has a name');
        $others = $show->edits()->where('id', '>', $oldest->id)->orderBy('id')->limit(2)->get();
        foreach ([$oldest, ...$others] as $edit) {
            app(ShowStore::class)->goBack($edit->revision, null);
            self::assertSame($documents[$edit->revision], app(ShowStore::class)->json(), $edit->summary);
        }
    }

    public function testTheCommandLineLooksChangesAndGoesBack(): void
    {
        $ask = function (string ...$words): array {
            $code = Artisan::call('junction:show', array_combine(\array_slice(['deed', 'path', 'value'], 0, \count($words)), $words));

            return [$code, trim(Artisan::output())];
        };
        self::assertSame([0, '"House desk"'], $ask('get', '/ports/house-desk/name'));
        self::assertSame('"House desk"', $ask('get', '/ports/0/name')[1]);
        self::assertSame(app(ShowStore::class)->json(), "{$ask('get')[1]}\n");
        self::assertSame(0, $ask('set', '/ports/house-desk/receive/priority', '120')[0]);
        self::assertSame('120', $ask('get', '/ports/house-desk/receive/priority')[1]);
        self::assertSame(0, $ask('set', '/name', 'Day Walk')[0]);
        self::assertStringContainsString('It is so already', $ask('set', '/name', 'Day Walk')[1]);
        [$code, $words] = $ask('set', '/ports/house-desk/receive/priority', '300');
        self::assertSame(1, $code);
        self::assertStringContainsString('/ports/0/receive/priority: it is 300. Use a whole number from 0 to 200.', $words);
        $file = "{$this->data}/patch.json";
        file_put_contents($file, json_encode([
            ['op' => 'test', 'path' => '/name', 'value' => 'Day Walk'],
            ['op' => 'remove', 'path' => '/ports/lily-laser'],
            ['op' => 'add', 'path' => '/universes/-', 'value' => ['id' => 'roof', 'name' => 'Roof']],
        ], JSON_THROW_ON_ERROR));
        self::assertSame(0, $ask('patch', $file)[0]);
        self::assertSame('"Roof"', $ask('get', '/universes/roof/name')[1]);
        [$code, $words] = $ask('patch', $file);
        self::assertSame([2, 'Nothing has changed. Operation 2: There is nothing at /ports/lily-laser.'], [$code, $words]);
        self::assertSame(2, $ask('get', '/ports/none')[0]);
        self::assertSame(2, $ask('get', 'ports')[0]);
        self::assertSame(2, $ask('dance')[0]);
        self::assertSame(2, $ask('patch', '/nowhere')[0]);
        self::assertSame(2, $ask('back', '99')[0]);
        $history = $ask('history')[1];
        self::assertMatchesRegularExpression('/^4  \S+  the command line  patch, 3 operations$/m', $history);
        self::assertSame(0, $ask('back', '2')[0]);
        self::assertSame('"Fernhall Glasshouse, Night Walk"', $ask('get', '/name')[1]);
        self::assertSame(0, $ask('undo')[0]);
        self::assertSame('"Day Walk"', $ask('get', '/name')[1]);
        self::assertSame(0, $ask('redo')[0]);
        Artisan::call('junction:show', ['deed' => 'set', 'path' => '/name', 'value' => 'By hand', '--as' => 'operator']);
        self::assertSame(User::query()->where('name', 'operator')->value('id'), Edit::query()->orderByDesc('id')->firstOrFail()->user_id);
        self::assertSame(2, Artisan::call('junction:show', ['deed' => 'set', 'path' => '/name', 'value' => 'x', '--as' => 'nobody']));
    }
}
