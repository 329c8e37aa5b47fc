<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Live\Secret;
use Database\Seeders\FernhallSurfaces;
use Illuminate\Support\Facades\DB;
use NimbleJunction\Core\Furnishing\Templates;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;

/** The door of a surface, its pages by templates, its files, and what becomes of it when something is deleted. */
final class SurfacesApiTest extends AppTestCase
{
    public function testTheCodeLetsAGuestInToItsSurfaceAndNothingElse(): void
    {
        $this->getJson('/api/surfaces/guide/entry')->assertOk()->assertExactJson(['entry' => 'code', 'name' => 'Guide']);
        $this->postJson('/api/surfaces/guide/token')->assertStatus(403);
        $this->enter('0000')->assertStatus(422)->assertJsonPath('message', 'That is not the code.');
        $this->enter(FernhallSurfaces::CODE)->assertOk()->assertJsonPath('entry', 'in');
        $token = $this->token('guide');
        self::assertSame([Role::Guest, 'guide', 'Guide'], [$token?->role, $token?->surface, $token?->user]);
        self::assertNotSame('', $token?->visit);
        foreach (['front-of-house', 'gone'] as $other) {
            $this->postJson("/api/surfaces/{$other}/token")->assertStatus(403);
            $this->getJson("/api/surfaces/{$other}/entry")->assertExactJson(['entry' => 'closed', 'name' => '']);
        }
        foreach ([
            ['post', '/api/live-token'],
            ['get', '/api/show'],
            ['get', '/api/kinds'],
            ['get', '/api/surfaces/coded'],
            ['put', '/api/surfaces/guide/code'],
            ['post', '/api/show/surfaces'],
        ] as [$method, $path]) {
            $this->json($method, $path)->assertStatus(401);
        }
        $this->deleteJson('/api/surfaces/guide/entry')->assertOk();
        $this->postJson('/api/surfaces/guide/token')->assertStatus(403);
    }

    public function testFiveWrongCodesAreEnoughForAMinute(): void
    {
        for ($i = 0; $i < 5; ++$i) {
            $this->enter("000{$i}")->assertStatus(422);
        }
        $this->enter(FernhallSurfaces::CODE)
            ->assertStatus(429)
            ->assertJsonPath('message', 'Too many wrong codes: wait a minute, then try again.');
        $this->travel(61)->seconds();
        $this->enter(FernhallSurfaces::CODE)->assertOk();
    }

    public function testWhoTriesFromManyAddressesIsHeldUpToo(): void
    {
        for ($i = 0; $i < 60; ++$i) {
            $this->withServerVariables(['REMOTE_ADDR' => '10.0.'.intdiv($i, 4).'.'.($i % 4 + 1)])
                ->postJson('/api/surfaces/guide/entry', ['code' => "9{$i}99"])
                ->assertStatus(422);
        }
        $this->withServerVariables(['REMOTE_ADDR' => '10.9.9.9'])
            ->postJson('/api/surfaces/guide/entry', ['code' => FernhallSurfaces::CODE])
            ->assertStatus(429);
        $this->travel(61)->seconds();
        $this->withServerVariables(['REMOTE_ADDR' => '10.9.9.9'])
            ->postJson('/api/surfaces/guide/entry', ['code' => FernhallSurfaces::CODE])
            ->assertOk();
    }

    public function testNobodyIsMadeAGuestByCommand(): void
    {
        $this->artisan('junction:user', ['name' => 'eve', '--role' => 'guest', '--password' => 'long-enough'])->assertFailed();
        self::assertSame(3, DB::table('users')->count());
        foreach (['guest', 'builder'] as $role) {
            $token = Token::sign(
                'eve',
                Role::from($role),
                Secret::derive((string) config('app.key')),
                time(),
                $role === 'builder' ? 'guide' : '',
            );
            self::assertNull(
                Token::verify($token, Secret::derive((string) config('app.key')), time()),
                "{$role}: a guest has a surface, and nobody else has one",
            );
        }
    }

    public function testASurfaceThatIsDeletedLetsNobodyIn(): void
    {
        $this->enter(FernhallSurfaces::CODE)->assertOk();
        $this->as(Role::Builder)->deleteJson('/api/show/surfaces/guide')->assertOk();
        auth()->logout();
        $this->postJson('/api/surfaces/guide/token')->assertStatus(403);
        $this->enter(FernhallSurfaces::CODE)->assertStatus(422);
    }

    public function testAnotherCodePutsOutWhoeverCameInByTheOneBefore(): void
    {
        $this->enter(FernhallSurfaces::CODE)->assertOk();
        $this->as(Role::Builder)
            ->putJson('/api/surfaces/guide/code', ['code' => '12'])
            ->assertStatus(422)
            ->assertJsonPath('message', 'A pass code has 4 to 12 digits.');
        $this->putJson('/api/surfaces/gone/code', ['code' => '1234'])->assertStatus(404);
        $this->putJson('/api/surfaces/guide/code', ['code' => '80001'])->assertOk()->assertJsonPath('surfaces', ['door', 'guide']);
        self::assertStringNotContainsString('80001', (string) DB::table('surface_codes')->value('hash'));
        self::assertStringNotContainsString(
            'hash',
            (string) json_encode($this->getJson('/api/show')->json('document.surfaces')),
            'it is in no document',
        );
        auth()->logout();
        $this->postJson('/api/surfaces/guide/token')->assertStatus(403);
        $this->as(Role::Builder)->putJson('/api/surfaces/guide/code', ['code' => ''])->assertJsonPath('surfaces', ['door']);
        auth()->logout();
        $this->enter('')->assertStatus(422);
        $this->enter('80001')->assertStatus(422);
    }

    public function testANetworkComesInWithoutACodeAndOthersDoNot(): void
    {
        $this->getJson('/api/surfaces/door/entry')->assertJsonPath('entry', 'in');
        $first = $this->token('door');
        self::assertSame($first?->visit, $this->token('door')?->visit, 'it stays the same visit');
        $this->withServerVariables(['REMOTE_ADDR' => '10.1.2.3'])->getJson('/api/surfaces/door/entry')->assertJsonPath('entry', 'closed');
        $this->withServerVariables(['REMOTE_ADDR' => '10.1.2.3'])->postJson('/api/surfaces/door/token')->assertStatus(403);
    }

    public function testAVisitOutlivesTheSessionAndTheBrowserAndNobodyWritesOneOfTheirOwn(): void
    {
        $cookie = $this->enter(FernhallSurfaces::CODE)->assertOk()->getCookie('surface-guide');
        self::assertGreaterThan(time() + 300 * 86400, $cookie?->getExpiresTime());
        self::assertTrue($cookie?->isHttpOnly());
        $visit = $this->token('guide')?->visit;
        session()->flush();
        self::assertSame($visit, $this->token('guide')?->visit);
        // The same words, but not sealed by us.
        $this->withUnencryptedCookie('surface-guide', (string) $cookie?->getValue())
            ->postJson('/api/surfaces/guide/token')
            ->assertStatus(403);
    }

    public function testWhoWasSentAwayFromAnOpenNetworkDoesNotWalkInAgain(): void
    {
        $this->getJson('/api/surfaces/door/entry')->assertJsonPath('entry', 'in');
        $this->deleteJson('/api/surfaces/door/entry')->assertOk();
        $this->getJson('/api/surfaces/door/entry')->assertJsonPath('entry', 'closed');
        $this->postJson('/api/surfaces/door/token')->assertStatus(403);
    }

    public function testAKioskIsLeftByItsCodeWhichIsTriedAsOftenAsAnyOther(): void
    {
        $leave = fn(string $code) => $this->postJson('/api/surfaces/door/way-out', ['code' => $code]);
        $leave(FernhallSurfaces::CODE)->assertOk();
        for ($i = 0; $i < 5; ++$i) {
            $leave("000{$i}")->assertStatus(422);
        }
        $leave(FernhallSurfaces::CODE)->assertStatus(429);
        $this->postJson('/api/surfaces/front-of-house/way-out', ['code' => '1234'])->assertStatus(422);
        $this->postJson('/api/surfaces/door/entry', ['code' => FernhallSurfaces::CODE])->assertStatus(429);
    }

    public function testThePageThatAPhoneKeepsKnowsNoSurfaceAndSetsNoCookie(): void
    {
        $page = $this->get('/surface-shell')->assertOk()->assertSee('data-surface=""', false)->assertDontSee('manifest.json');
        self::assertSame([], $page->headers->getCookies());
    }

    public function testEverySurfaceHasAPageAndAManifestOfItsOwnAndTellsStrangersNoName(): void
    {
        $this->get('/s/guide')->assertOk()->assertSee('data-surface="guide"', false);
        $this->getJson('/s/guide/manifest.json')->assertOk()->assertJsonPath('start_url', '/s/guide')->assertJsonPath('name', 'Guide');
        $this->getJson('/s/front-of-house/manifest.json')->assertJsonPath('name', 'Surface');
        $this->getJson('/s/gone/manifest.json')->assertJsonPath('name', 'Surface');
    }

    public function testATableOfAddressesIsThereForATabletProgram(): void
    {
        $this->as(Role::Builder);
        $this->postJson('/api/show/panels', ['name' => 'Pad', 'surface' => 'guide', 'oscPort' => 'guides-tablet', 'oscAddress' => '/walk'])
            ->assertOk();
        self::assertStringContainsString(
            '/walk/ferns,both,"0 to 1","Fern Gallery",Walk',
            (string) $this->get('/api/show/panels/pad/addresses')->assertOk()->getContent(),
        );
        $this->getJson('/api/show/panels/pad/addresses?json=1')->assertJsonPath('columns.0', 'Address');
        $this->getJson('/api/show/panels/gone/addresses')->assertStatus(404);
        $this->postJson('/api/show/panels', ['name' => 'Wrong', 'surface' => 'guide', 'oscPort' => 'lectern'])->assertStatus(422);
        $this->deleteJson('/api/show/surfaces/guide')->assertStatus(422)->assertJsonPath('faults.0.problem', 'there is no surface "guide"');
    }

    public function testPeopleOfTheShowComeInAsWhatTheyAre(): void
    {
        $this->as(Role::Operator);
        $this->getJson('/api/surfaces/front-of-house/entry')->assertJsonPath('entry', 'in');
        $token = $this->token('front-of-house');
        self::assertSame([Role::Operator, ''], [$token?->role, $token?->surface]);
        $this->putJson('/api/surfaces/guide/code', ['code' => '1234'])->assertStatus(403);
    }

    public function testEveryTemplateMakesPagesThatAreSoundAndOneUndoTakesThemBack(): void
    {
        $this->as(Role::Builder);
        foreach ([
            [['kind' => 'faders', 'of' => 'masters'], 8], [['kind' => 'faders', 'of' => 'groups', 'count' => 3], null], [['kind' => 'faders', 'of' => 'fixtures', 'count' => 20], 26],
            [['kind' => 'faders', 'of' => 'nothing', 'count' => 9], 18], [['kind' => 'looks'], 8], [['kind' => 'looks', 'list' => 'path', 'columns' => 2], 2],
            [['kind' => 'fixture', 'fixture' => 'fern-left'], null], [['kind' => 'universe', 'universe' => 'palm-house'], 512],
        ] as [$template, $count]) {
            $before = $this->pages('guide');
            $this->postJson('/api/show/surfaces/guide/template', $template)->assertOk();
            $added = \array_slice($this->pages('guide'), \count($before));
            $controls = array_merge(...array_column($added, 'controls'));
            self::assertNotSame([], $controls, json_encode($template, JSON_THROW_ON_ERROR));
            self::assertTrue(
                $count === null || $count === \count($controls),
                json_encode($template, JSON_THROW_ON_ERROR).\count($controls),
            );
            $this->postJson('/api/show/undo')->assertOk();
            self::assertSame($before, $this->pages('guide'));
        }
        self::assertSame(
            ['faders', 'looks', 'fixture', 'universe', 'panel'],
            array_map(static fn(string $class): string => $class::kind(), Templates::ALL),
        );
        $this->postJson('/api/show/surfaces/guide/template', ['kind' => 'fixture', 'fixture' => 'gone'])->assertStatus(422);
        $this->postJson('/api/show/surfaces/guide/template', ['kind' => 'nothing'])->assertStatus(422);
        $this->postJson('/api/show/surfaces/gone/template', ['kind' => 'looks'])->assertStatus(404);
    }

    public function testASurfaceComesInFromAFileWithoutWhatTheShowDoesNotHave(): void
    {
        $this->as(Role::Builder);
        $surface = collect($this->getJson('/api/show')->json('document.surfaces'))->firstWhere('id', 'guide');
        $surface['pages'][0]['controls'][2]['does']['points'][0]['point'] = 'look:of-another-show';
        $surface['pages'][0]['controls'][0]['does']['point'] = 'list:of-another-show/next';
        $file = json_encode(['format' => 'nimble-junction/surface', 'version' => 1, 'surface' => $surface], JSON_THROW_ON_ERROR);
        $answer = $this->call('POST', '/api/show/surfaces/file', server: ['HTTP_ACCEPT' => 'application/json'], content: $file)->assertOk();
        self::assertSame(['guide-2', ['list:of-another-show/next', 'look:of-another-show']], [$answer->json('id'), $answer->json('left')]);
        $taken = collect($this->getJson('/api/show')->json('document.surfaces'))->firstWhere('id', 'guide-2');
        self::assertSame(7, \count($taken['pages'][0]['controls']));
        foreach (['', '[]', '{"format": "nimble-junction/show"}', 'x'] as $wrong) {
            $this->call('POST', '/api/show/surfaces/file', server: ['HTTP_ACCEPT' => 'application/json'], content: $wrong)
                ->assertStatus(422);
        }
    }

    public function testControlsForgetWhatIsDeletedInTheSameEdit(): void
    {
        $this->as(Role::Builder);
        $before = $this->pages('guide');
        $this->deleteJson('/api/show/values/from-guide')->assertOk();
        self::assertArrayNotHasKey('point', collect($this->pages('guide')[0]['controls'])->firstWhere('id', 'call')['does']);
        $this->deleteJson('/api/show/waves/pond')->assertOk();
        $pond = collect($this->pages('guide')[1]['controls'])->keyBy('id');
        self::assertFalse($pond->has('rate'), 'a stepper is nothing without its point');
        self::assertSame([], $pond['pond-wave']['does']['points']);
        $this->postJson('/api/show/undo')->assertOk();
        $this->postJson('/api/show/undo')->assertOk();
        self::assertSame($before, $this->pages('guide'));
    }

    public function testALockedSurfaceKeepsItsPagesAndStaysUntilItIsUnlocked(): void
    {
        $this->as(Role::Builder);
        $surface = collect($this->getJson('/api/show')->json('document.surfaces'))->firstWhere('id', 'guide');
        unset($surface['id']);
        $put = fn(array $changes) => $this->putJson('/api/show/surfaces/guide', [...$surface, ...$changes]);
        $put(['locked' => true])->assertOk();
        $put(['locked' => true, 'pages' => []])
            ->assertStatus(422)
            ->assertJsonPath('faults.0.path', '/surfaces/0/pages')
            ->assertJsonPath('faults.0.problem', 'the surface "Guide" is locked');
        $this->postJson('/api/show/surfaces/guide/template', ['kind' => 'looks'])->assertStatus(422);
        $this->deleteJson('/api/show/surfaces/guide')->assertStatus(422);
        $put(['locked' => true, 'name' => 'Guides'])->assertOk();
        $this->deleteJson('/api/show/values/from-guide')->assertOk();
        self::assertArrayNotHasKey(
            'point',
            collect($this->pages('guide')[0]['controls'])->firstWhere('id', 'call')['does'],
            'what is deleted elsewhere is forgotten all the same',
        );
        $put(['pages' => []])->assertOk();
    }

    public function testFaultsOfASurfaceAreSaidWithTheirPlace(): void
    {
        $this->as(Role::Builder);
        $control = ['id' => 'a', 'name' => 'A', 'does' => ['kind' => 'fader']];
        foreach ([
            [[[...$control, 'does' => ['kind' => 'fader', 'points' => [['point' => 'look:gone']]]]], 'pages/0/controls/0/does/points/0/point'],
            [[[...$control, 'does' => ['kind' => 'fader', 'points' => [['point' => 'surface:guide/go']]]]], 'pages/0/controls/0/does/points/0/point'],
            [[[...$control, 'does' => ['kind' => 'fader', 'points' => [['point' => 'look:moss', 'low' => 5, 'high' => 5]]]]], 'pages/0/controls/0/does/points/0/high'],
            [[[...$control, 'does' => ['kind' => 'tempo', 'tempo' => 'gone']]], 'pages/0/controls/0/does/tempo'],
            [[[...$control, 'does' => ['kind' => 'lever']]], 'pages/0/controls/0/does/kind'],
            [[[...$control, 'column' => 7]], 'pages/0/controls/0'],
            [[$control, [...$control, 'id' => 'b']], 'pages/0/controls/1'],
            [[$control, [...$control, 'column' => 2]], 'pages/0/controls/1/id'],
            [[[...$control, 'ink' => '#777777', 'colour' => '#888888']], 'pages/0/controls/0/colour'],
            [[[...$control, 'ink' => 'white']], 'pages/0/controls/0/ink'],
        ] as [$controls, $path]) {
            $faults = $this->postJson(
                '/api/show/surfaces',
                ['name' => 'Wrong', 'pages' => [['id' => 'p', 'name' => 'P', 'controls' => $controls]]],
            )
                ->assertStatus(422)
                ->json('faults');
            self::assertStringEndsWith($path, implode(' ', array_column($faults, 'path')), json_encode($faults, JSON_THROW_ON_ERROR));
        }
        $this->postJson('/api/show/surfaces', ['name' => 'Wrong', 'entry' => 'network'])->assertStatus(422);
        foreach ([
            [[['control' => 'a', 'column' => 3]], 'places/0'],
            [[['control' => 'a'], ['control' => 'b', 'row' => 1]], 'places/1'],
            [[['control' => 'a'], ['control' => 'a', 'row' => 2]], 'places/1/control'],
        ] as [$places, $path]) {
            $turned = ['columns' => 2, 'rows' => 2, 'places' => $places];
            $faults = $this->postJson(
                '/api/show/surfaces',
                ['name' => 'Wrong', 'pages' => [['id' => 'p', 'name' => 'P', 'controls' => [$control], 'turned' => $turned]]],
            )->assertStatus(422)->json('faults');
            self::assertStringEndsWith("pages/0/turned/{$path}", $faults[0]['path']);
        }
        $turned['places'] = [['control' => 'gone', 'row' => 2], ['control' => 'a']];
        $this->postJson(
            '/api/show/surfaces',
            ['name' => 'Right', 'pages' => [['id' => 'p', 'name' => 'P', 'controls' => [$control], 'turned' => $turned]]],
        )->assertOk();
    }

    /** What a browser would keep of the answers, and send with the next request. */
    public function json($method, $uri, array $data = [], array $headers = [], $options = 0): \Illuminate\Testing\TestResponse
    {
        $answer = parent::json($method, $uri, $data, $headers, $options);
        foreach (['guide', 'door', 'front-of-house'] as $surface) {
            $cookie = $answer->getCookie("surface-{$surface}");
            if ($cookie !== null) {
                $this->withCredentials()->withCookie("surface-{$surface}", (string) $cookie->getValue());
            }
        }

        return $answer;
    }

    private function enter(string $code): \Illuminate\Testing\TestResponse
    {
        return $this->postJson('/api/surfaces/guide/entry', ['code' => $code]);
    }

    private function token(string $surface): ?Token
    {
        $answer = $this->postJson("/api/surfaces/{$surface}/token")->assertOk();

        return Token::verify((string) $answer->json('token'), Secret::derive((string) config('app.key')), time());
    }

    /** @return list<array<string, mixed>> */
    private function pages(string $surface): array
    {
        return collect($this->getJson('/api/show')->json('document.surfaces'))->firstWhere('id', $surface)['pages'];
    }
}
