<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Models\Show;
use App\Shows\Backup;
use App\Shows\Shelf;
use App\Shows\ShowStore;
use Illuminate\Support\Facades\File;
use NimbleJunction\Engine\LiveLink\Role;

/** Several shows: begun, duplicated, opened, put away, deleted and brought back. */
final class ShelfApiTest extends AppTestCase
{
    public function testAShowIsBegunDuplicatedOpenedAndLeftAgain(): void
    {
        $this->as(Role::Builder);
        $first = $this->getJson('/api/shows')->assertOk()->assertJsonCount(1, 'shows')->json('shows.0');
        self::assertSame(
            ['Fernhall Glasshouse, Night Walk', true, 14],
            [$first['name'], $first['isOpen'], $first['counts']['ports']],
        );
        $before = app(ShowStore::class)->json();
        $copy = $this->postJson(
            "/api/shows/{$first['id']}/duplicate",
            ['name' => 'Day Walk'],
        )->assertOk()->assertJsonPath('isOpen', false)->json();
        $this->postJson('/api/shows', ['name' => 'Empty'])->assertOk()->assertJsonPath('name', 'Empty');
        self::assertSame($before, app(ShowStore::class)->json(), 'nothing is opened by that');
        $opened = $this->postJson("/api/shows/{$copy['id']}/open")->assertOk();
        self::assertSame('Day Walk', $opened->json('document.name'));
        self::assertNotEmpty(Backup::all());
        $this->patchJson('/api/show', ['name' => 'Day Walk, second night'])->assertOk();
        $this->postJson("/api/shows/{$first['id']}/open")->assertOk();
        self::assertSame($before, app(ShowStore::class)->json());
        self::assertSame(
            ['Fernhall Glasshouse, Night Walk', 'Day Walk, second night', 'Empty'],
            array_column($this->getJson('/api/shows')->json('shows'), 'name'),
        );
        self::assertSame(
            ['builder', 'rename the show to "Day Walk, second night"'],
            array_values(array_intersect_key($this->getJson('/api/shows')->json('shows.1'), ['by' => 0, 'what' => 0])),
        );
    }

    public function testAShowThatWasRenamedWhileItWaitedIsShownWithItsNewName(): void
    {
        $this->as(Role::Builder);
        $id = Show::query()->firstOrFail()->id;
        $page = fn(): array => json_decode(
            (string) gzdecode((string) $this->get(
                '/api/show',
                ['X-Answer' => 'changes', 'Accept-Encoding' => 'gzip'],
            )->getContent()),
            true,
        );
        $seen = $page()['revision'];
        $this->postJson('/api/show/universes', ['name' => 'Roof'])->assertOk();
        $other = $this->postJson('/api/shows', ['name' => 'Other'])->json('id');
        $this->postJson("/api/shows/{$other}/open")->assertOk();
        $this->patchJson("/api/shows/{$id}", ['name' => 'Renamed'])->assertOk();
        $this->postJson("/api/shows/{$id}/open")->assertOk();
        self::assertSame('Renamed', $page()['document']['name']);
        self::assertSame(
            'Renamed',
            $this->getJson("/api/show/changes?since={$seen}")->json('document.name'),
            'also for a page that was left open',
        );
    }

    public function testOpeningSaysWhatItWouldChangeForThePorts(): void
    {
        $this->as(Role::Builder);
        $id = Show::query()->firstOrFail()->id;
        $copy = $this->postJson("/api/shows/{$id}/duplicate", ['name' => 'Other'])->json('id');
        $this->deleteJson('/api/show/ports/lily-laser')->assertOk();
        $port = array_column($this->getJson('/api/show')->json('document.ports'), null, 'id')['house-desk'];
        $this->putJson('/api/show/ports/house-desk', [...$port, 'name' => 'Desk of the house'])->assertOk();
        $this->postJson('/api/show/ports', ['name' => 'Roof', 'protocol' => 'osc', 'receive' => ['port' => 8123]])->assertOk();
        $this->getJson("/api/shows/{$copy}/opening")->assertOk()->assertExactJson([
            'closes' => ['Roof'], 'opens' => ['Lily Pond laser'], 'changes' => ['House desk'], 'stays' => 12,
        ]);
    }

    public function testAFormOfAnotherShowIsNotStoredInThisOne(): void
    {
        $this->as(Role::Builder);
        $id = Show::query()->firstOrFail()->id;
        $seen = $this->getJson('/api/show');
        $copy = $this->postJson("/api/shows/{$id}/duplicate", ['name' => 'Other'])->json('id');
        $this->postJson("/api/shows/{$copy}/open")->assertOk();
        $port = array_column($seen->json('document.ports'), null, 'id')['house-desk'];
        $this->putJson(
            '/api/show/ports/house-desk',
            [...$port, 'name' => 'Mine'],
            ['X-Base-Revision' => (string) $seen->json('revision')],
        )
            ->assertConflict()->assertJsonPath('message', 'Another show has been opened meanwhile: "Other". Nothing was stored.');
        self::assertSame(
            'Other',
            $this->getJson("/api/show/changes?since={$seen->json('revision')}")->json('document.name'),
            'a page that follows sees all of it',
        );
    }

    public function testAShowIsArchivedDeletedBroughtBackAndAtLastGoesForGood(): void
    {
        $this->as(Role::Builder);
        $open = Show::query()->firstOrFail()->id;
        $id = $this->postJson('/api/shows', ['name' => 'Old'])->json('id');
        $this->patchJson(
            "/api/shows/{$id}",
            ['archived' => true, 'name' => 'Older'],
        )->assertOk()->assertJsonPath('archived', true)->assertJsonPath('name', 'Older');
        $this->deleteJson("/api/shows/{$id}")->assertOk();
        self::assertNotNull($this->getJson('/api/shows')->json('shows.1.goneAt'));
        $this->postJson("/api/shows/{$id}/restore")->assertOk()->assertJsonPath('deletedAt', null);
        $this->deleteJson("/api/shows/{$id}")->assertOk();
        $page = config('junction.data')."/pages/{$id}/000000000001.json.gz";
        File::ensureDirectoryExists(\dirname($page));
        File::put($page, 'packed');
        $this->travel(Shelf::KEPT_DAYS - 1)->days();
        $this->getJson('/api/shows')->assertJsonCount(2, 'shows');
        $this->travel(2)->days();
        self::assertFileExists($page);
        $this->getJson('/api/shows')->assertJsonCount(1, 'shows');
        self::assertDirectoryDoesNotExist(\dirname($page), 'and its packed pages with it');
        $this->postJson("/api/shows/{$id}/restore")->assertNotFound();
        $this->deleteJson("/api/shows/{$open}")->assertConflict();
        $this->patchJson("/api/shows/{$open}", ['archived' => true])->assertConflict();
        $this->travelBack();
    }

    public function testADocumentComesInAsAShowOfItsOwnAndLeavesAgain(): void
    {
        $this->as(Role::Builder);
        $id = Show::query()->firstOrFail()->id;
        $text = (string) $this->get("/api/shows/{$id}/export")->assertOk()->getContent();
        $send = fn(string $content) => $this->call(
            'POST',
            '/api/shows/import',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: $content,
        );
        $taken = $send($text)->assertOk()->json('id');
        self::assertSame($text, $this->get("/api/shows/{$taken}/export")->getContent());
        $send('{"format": "nimble-junction/show", "version": 2, "name": ""}')->assertStatus(422);
        $send('not JSON')->assertStatus(422);
        $this->getJson('/api/shows')->assertJsonCount(2, 'shows');
    }

    public function testOnlyBuildersTouchShows(): void
    {
        $this->as(Role::Operator);
        $id = Show::query()->firstOrFail()->id;
        $this->getJson('/api/shows')->assertOk();
        foreach ([
            ['post', '/api/shows'],
            ['post', '/api/shows/import'],
            ['patch', "/api/shows/{$id}"],
            ['delete', "/api/shows/{$id}"],
            ['post', "/api/shows/{$id}/open"],
            ['post', "/api/shows/{$id}/duplicate"],
            ['post', "/api/shows/{$id}/restore"],
        ] as [$method, $path]) {
            $this->json($method, $path, ['name' => 'x'])->assertForbidden();
        }
        $this->getJson('/api/shows/999/opening')->assertNotFound();
    }

    public function testABackupIsAWholeDatabaseAndOnlyTheNewestAreKept(): void
    {
        $this->as(Role::Builder);
        $file = Backup::make('before-test');
        $database = new \PDO("sqlite:{$file}");
        self::assertSame('ok', $database->query('pragma integrity_check')->fetchColumn());
        self::assertSame(14, (int) $database->query("select count(*) from show_parts where kind = 'ports'")->fetchColumn());
        $exported = (string) $this->get('/api/show/export')->getContent();
        $this->call(
            'POST',
            '/api/show/import',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: $exported,
        )->assertOk();
        self::assertCount(2, Backup::all(), 'one before the import');
        for ($i = 0; $i < Backup::MOST; ++$i) {
            Backup::make("n{$i}");
        }
        self::assertCount(Backup::MOST, Backup::all());
        self::assertFileDoesNotExist($file, 'the oldest went');
    }
}
