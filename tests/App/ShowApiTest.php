<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Shows\ShowStore;
use Database\Seeders\FernhallGlasshouse;
use NimbleJunction\Core\Edit\Contents;
use NimbleJunction\Engine\LiveLink\Role;

final class ShowApiTest extends AppTestCase
{
    public function testNobodySeesTheShowWithoutLoggingIn(): void
    {
        $this->getJson('/api/show')->assertUnauthorized();
        $this->postJson('/api/live-token')->assertUnauthorized();
    }

    public function testLogin(): void
    {
        $this->postJson(
            '/api/session',
            ['name' => 'builder', 'password' => 'wrong'],
        )->assertStatus(422)->assertJson(['message' => 'Name or password is wrong.']);
        $this->postJson(
            '/api/session',
            ['name' => 'builder', 'password' => 'night-walk'],
        )->assertOk()->assertJson(['user' => ['name' => 'builder', 'role' => 'builder']]);
        $this->postJson('/api/live-token')->assertOk()->assertJsonStructure(['token', 'live']);
        $this->deleteJson('/api/session')->assertOk();
        $this->getJson('/api/session')->assertJson(['user' => null]);
    }

    public function testGuessingPasswordsIsSlow(): void
    {
        for ($i = 0; $i < 10; ++$i) {
            $this->postJson('/api/session', ['name' => 'viewer', 'password' => "guess {$i}"])->assertStatus(422);
        }
        $this->postJson('/api/session', ['name' => 'viewer', 'password' => 'night-walk'])->assertStatus(429);
    }

    public function testOperatorsAndViewersChangeNothing(): void
    {
        foreach ([Role::Operator, Role::Viewer] as $role) {
            $this->as($role);
            $this->getJson('/api/show')->assertOk();
            $before = app(ShowStore::class)->json();
            foreach ([
                ['patch', '/api/show'],
                ['post', '/api/show/import'],
                ['post', '/api/show/undo'],
                ['post', '/api/show/redo'],
                ['post', '/api/show/ports'],
                ['put', '/api/show/ports/house-desk'],
                ['delete', '/api/show/ports/house-desk'],
            ] as [$method, $path]) {
                $this->json($method, $path, ['name' => 'x'])->assertForbidden()->assertJsonPath(
                    'message',
                    'Only a builder can change the show: log in as one.',
                );
            }
            self::assertSame($before, app(ShowStore::class)->json());
        }
    }

    public function testAPortIsAddedChangedDeletedAndEachIsUndone(): void
    {
        $this->as(Role::Builder);
        $port = [
            'name' => 'Lily Pond laser',
            'protocol' => 'art-net',
            'send' => ['to' => ['127.0.0.44'], 'carries' => [['number' => 4, 'universe' => 'fern-gallery']]],
        ];
        $added = $this->postJson('/api/show/ports', $port)->assertOk()->assertJsonPath('id', 'lily-pond-laser');
        self::assertStringContainsString('The engine is not running', $added->json('notice'));
        $this->postJson('/api/show/ports', $port)->assertJsonPath('id', 'lily-pond-laser-2');
        $this->putJson('/api/show/ports/lily-pond-laser', [...$port, 'name' => 'Pond laser'])->assertOk();
        $this->deleteJson('/api/show/ports/lily-pond-laser')->assertOk();
        $this->deleteJson('/api/show/ports/lily-pond-laser')->assertNotFound();
        $names = fn(): array => array_column(app(ShowStore::class)->document()['ports'], 'name');
        self::assertNotContains('Pond laser', $names());
        $this->postJson('/api/show/undo')->assertJsonPath('undone', 'delete port "lily-pond-laser"');
        self::assertContains('Pond laser', $names());
        $this->postJson('/api/show/undo')->assertJsonPath('undone', 'change port "Pond laser"');
        self::assertSame(['Lily Pond laser', 'Lily Pond laser'], \array_slice($names(), -2));
        $this->postJson('/api/show/undo');
        $this->postJson('/api/show/undo')->assertJsonPath('undo', null);
        $this->postJson('/api/show/undo')->assertConflict();
        self::assertSame(Contents::ofDocument(FernhallGlasshouse::document('127.0.0'))->document(), app(ShowStore::class)->document());
    }

    public function testWhatWasUndoneIsDoneAgainInItsOrder(): void
    {
        $this->as(Role::Builder);
        $names = ['One', 'Two', 'Three'];
        $documents = [app(ShowStore::class)->document()];
        foreach ($names as $name) {
            $this->patchJson('/api/show', ['name' => $name])->assertOk()->assertJsonPath('redo', null);
            $documents[] = app(ShowStore::class)->document();
        }
        $this->postJson('/api/show/redo')->assertConflict()->assertJsonPath(
            'message',
            'There is nothing to do again: nothing was undone, or something was changed since.',
        );
        foreach ([2, 1, 0] as $back) {
            $this->postJson('/api/show/undo')
                ->assertOk()
                ->assertJsonPath('redo', "rename the show to \"{$names[$back]}\"")
                ->assertJsonPath('redoBy', 'builder');
            self::assertSame($documents[$back], app(ShowStore::class)->document());
        }
        foreach ([1, 2, 3] as $on) {
            $this->postJson('/api/show/redo')
                ->assertOk()
                ->assertJsonPath('redone', "rename the show to \"{$names[$on - 1]}\"")
                ->assertJsonPath('undo', "rename the show to \"{$names[$on - 1]}\"");
            self::assertSame($documents[$on], app(ShowStore::class)->document());
        }
        $this->postJson('/api/show/redo')->assertConflict();
        self::assertSame($documents[3], app(ShowStore::class)->document());
    }

    public function testAnEditEndsWhatCouldBeDoneAgainAndNothingElseDoes(): void
    {
        $this->as(Role::Builder);
        $this->patchJson('/api/show', ['name' => 'One'])->assertOk();
        $this->postJson('/api/show/undo')->assertJsonPath('redo', 'rename the show to "One"');
        $this->patchJson('/api/show', ['name' => 'Other'])->assertJsonPath('redo', null);
        $this->postJson('/api/show/redo')->assertConflict();
        $this->postJson('/api/show/undo')->assertJsonPath('redo', 'rename the show to "Other"');
        $this->postJson('/api/show/redo')->assertJsonPath('redo', null)->assertJsonPath('document.name', 'Other');
        $this->postJson('/api/show/undo')->assertJsonPath('undone', 'rename the show to "Other"');
        $seen = $this->getJson('/api/show')->json('revision');
        $this->postJson('/api/show/redo');
        $this->postJson('/api/show/undo');
        $this->postJson(
            '/api/show/redo',
            [],
            ['X-Base-Revision' => (string) $seen],
        )->assertConflict()->assertJsonPath('redo', null);
        $this->postJson('/api/show/redo')->assertJsonPath('document.name', 'Other');
    }

    /** Any walk through edits, undos and redos shows what a list of documents with a finger on it shows. */
    public function testAnyWalkThroughTheHistoryIsAFingerOnAList(): void
    {
        $this->as(Role::Builder);
        mt_srand(20261126);
        $list = [app(ShowStore::class)->document()];
        $finger = 0;
        for ($step = 0; $step < 80; ++$step) {
            $way = mt_rand(0, 4);
            if ($way < 2) {
                $this->patchJson('/api/show', ['name' => "Step {$step}"])->assertOk();
                $list = [...\array_slice($list, 0, ++$finger), app(ShowStore::class)->document()];
            } elseif ($way === 2) {
                $this->postJson('/api/show/redo')->assertStatus($finger + 1 < \count($list) ? 200 : 409);
                $finger = min($finger + 1, \count($list) - 1);
            } else {
                $this->postJson('/api/show/undo')->assertStatus($finger > 0 ? 200 : 409);
                $finger = max(0, $finger - 1);
            }
            self::assertSame($list[$finger], app(ShowStore::class)->document(), "step {$step}");
        }
        while ($finger-- > 0) {
            $this->postJson('/api/show/undo')->assertOk();
        }
        self::assertSame($list[0], app(ShowStore::class)->document());
    }

    public function testAWrongPartChangesNothingAndSaysWhere(): void
    {
        $this->as(Role::Builder);
        $before = app(ShowStore::class)->json();
        $this->postJson(
            '/api/show/routes',
            [
                'name' => 'Broken',
                'from' => ['kind' => 'message', 'port' => 'guides-tablet', 'address' => 'x'],
                'to' => ['kind' => 'slot', 'universe' => 'palm-house', 'slot' => 600],
            ],
        )
            ->assertStatus(422)
            ->assertJsonPath('faults.0.path', '/routes/12/from/address')
            ->assertJsonPath(
                'faults.1',
                ['path' => '/routes/12/to/slot', 'problem' => 'it is 600', 'allowed' => 'Use a whole number from 1 to 512.'],
            );
        $this->deleteJson('/api/show/universes/palm-house')->assertStatus(422);
        self::assertSame($before, app(ShowStore::class)->json());
    }

    public function testExportIsImportedAgain(): void
    {
        $this->as(Role::Builder);
        $exported = $this->get('/api/show/export')->assertOk()->assertHeader(
            'Content-Disposition',
            'attachment; filename="fernhall-glasshouse-night-walk.json"',
        )->getContent();
        $this->patchJson('/api/show', ['name' => 'Another'])->assertOk();
        $this->call(
            'POST',
            '/api/show/import',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: $exported,
        )->assertOk()->assertJsonPath('document.name', 'Fernhall Glasshouse, Night Walk');
        $this->call(
            'POST',
            '/api/show/import',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: str_replace('"htp"', '"most"', $exported),
        )
            ->assertStatus(422)->assertJsonPath('faults.0.path', '/universes/0/merge');
        $this->call(
            'POST',
            '/api/show/import',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: 'no JSON',
        )->assertStatus(422);
        self::assertSame($exported, app(ShowStore::class)->json());
    }

    public function testAnObjectWithNothingInItIsStillAnObjectWhenItComesBack(): void
    {
        $this->as(Role::Builder);
        $this->postJson(
            '/api/show/ports',
            [
                'name' => 'Keys',
                'protocol' => 'midi',
                'link' => ['kind' => 'cable', 'device' => 'keys'],
                'receive' => new \stdClass(),
            ],
        )->assertOk();
        $exported = (string) $this->get('/api/show/export')->assertOk()->getContent();
        self::assertStringContainsString('"receive": {}', $exported);
        $this->call(
            'POST',
            '/api/show/import',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: $exported,
        )->assertOk();
        self::assertSame($exported, app(ShowStore::class)->json());
    }

    public function testThePageHasSentencesNumberingAndWhatTheOtherEndsNeed(): void
    {
        $page = $this->as(Role::Viewer)->getJson('/api/show')->assertOk();
        self::assertStringStartsWith(
            'When /palm/lantern arrives on Guide\'s tablet',
            $page->json('sentences.lantern-from-tablet'),
        );
        self::assertContains(
            ['side' => 'To send to us', 'label' => 'UDP port', 'value' => '6454'],
            $page->json('otherEnds.house-desk'),
        );
        self::assertNotSame([], $page->json('numbering.palm-house'));
        self::assertContains('127.0.0.1', array_column($page->json('adapters'), 'address'));
    }

    public function testCommands(): void
    {
        $file = "{$this->data}/out.json";
        $this->artisan('junction:export', ['file' => $file])->assertSuccessful();
        file_put_contents($file, str_replace('Night Walk', 'Day Walk', (string) file_get_contents($file)));
        $this->artisan('junction:import', ['file' => $file])->assertSuccessful()->expectsOutputToContain('Day Walk');
        file_put_contents($file, str_replace('"slot": 5', '"slot": 0', (string) file_get_contents($file)));
        $this->artisan('junction:import', ['file' => $file])->assertFailed()->expectsOutputToContain(
            '/routes/0/to/slot: it is 0. Use a whole number from 1 to 512.',
        );
        self::assertSame('Fernhall Glasshouse, Day Walk', app(ShowStore::class)->current()->name);
        $this->artisan('junction:import', ['file' => '/nowhere'])->assertExitCode(2);
        $this->artisan(
            'junction:user',
            ['name' => 'Ada', '--role' => 'operator', '--password' => 'greenhouse'],
        )->assertSuccessful();
        $this->postJson('/api/session', ['name' => 'Ada', 'password' => 'greenhouse'])->assertJsonPath('user.role', 'operator');
        $this->artisan(
            'junction:user',
            ['name' => 'Ada', '--role' => 'gardener', '--password' => 'greenhouse'],
        )->assertExitCode(2);
        $this->artisan('junction:user', ['name' => 'Ada', '--password' => 'short'])->assertExitCode(2);
    }

    public function testTheDatabaseWritesAheadSoThatReadersNeverWait(): void
    {
        self::assertSame('wal', \Illuminate\Support\Facades\DB::selectOne('pragma journal_mode')->journal_mode);
    }
}
