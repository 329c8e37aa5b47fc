<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Shows\ShowStore;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Engine\LiveLink\Role;

/** The patch by the interface that pages use: many at once, overlaps, clones, addresses, profiles to begin with. */
final class PatchApiTest extends AppTestCase
{
    public function testManyAtOnceAreOneEdit(): void
    {
        $this->as(Role::Builder);
        $before = app(ShowStore::class)->json();
        $row = [
            'kind' => 'row',
            'count' => 8,
            'name' => 'Path 1',
            'profile' => 'moving-lantern',
            'universe' => 'fern-gallery',
            'first' => 201,
            'every' => 16,
            'number' => 31,
        ];
        $answer = $this->postJson('/api/show/fixtures/deed', $row)->assertOk()->assertJsonCount(8, 'ids');
        self::assertSame(['path-1', 'path-8'], [$answer->json('ids.0'), $answer->json('ids.7')]);
        $sheet = collect($answer->json('patch'));
        self::assertSame([201, 313], [$sheet->firstWhere('id', 'path-1')['first'], $sheet->firstWhere('id', 'path-8')['first']]);
        self::assertSame('patch 8 "Path 1"', $answer->json('undo'));
        $this->postJson('/api/show/fixtures/deed', ['kind' => 'swap', 'fixture' => 'path-1', 'with' => 'path-2'])->assertOk();
        self::assertSame([217, 201], [$this->fixture('path-1')['first'], $this->fixture('path-2')['first']]);
        $this->postJson(
            '/api/show/fixtures/deed',
            ['kind' => 'renumber', 'fixtures' => ['path-2', 'path-1'], 'from' => 51],
        )->assertOk();
        self::assertSame([52, 51], [$this->fixture('path-1')['number'], $this->fixture('path-2')['number']]);
        $this->postJson(
            '/api/show/fixtures/deed',
            ['kind' => 'move', 'fixtures' => ['path-1', 'path-2'], 'universe' => 'canopy', 'first' => 101],
        )->assertOk();
        self::assertSame(['canopy', 117], [$this->fixture('path-1')['universe'], $this->fixture('path-1')['first']]);
        for ($i = 0; $i < 4; ++$i) {
            $this->postJson('/api/show/undo')->assertOk();
        }
        self::assertSame($before, app(ShowStore::class)->json());
        $this->postJson(
            '/api/show/fixtures/deed',
            [...$row, 'count' => 40],
        )->assertStatus(422)->assertJsonPath('faults.0.path', '/count');
        $this->as(Role::Operator);
        $this->postJson('/api/show/fixtures/deed', $row)->assertStatus(403);
    }

    public function testAnOverlapIsRefusedUntilItIsMeant(): void
    {
        $this->as(Role::Builder);
        $fixture = ['name' => 'Spare', 'profile' => 'moving-lantern', 'universe' => 'fern-gallery', 'first' => 10];
        $refused = $this->postJson('/api/show/fixtures', $fixture)->assertStatus(422);
        self::assertSame('/fixtures/14/first', $refused->json('faults.0.path'));
        self::assertStringContainsString('"Spare" would share slots 10 to 12 with "Fern SR"', $refused->json('faults.0.problem'));
        self::assertStringContainsString('13 is the next free address.', $refused->json('faults.0.allowed'));
        $this->postJson(
            '/api/show/fixtures',
            [...$fixture, 'sharesWith' => ['fern-right']],
        )->assertOk()->assertJsonPath('id', 'spare');
        $shares = collect($this->getJson('/api/show')->json('patch'))->firstWhere('id', 'fern-right')['shares'];
        self::assertSame([['id' => 'spare', 'name' => 'Spare', 'meant' => true]], $shares, 'both of them show it');
        $this->putJson('/api/show/fixtures/spare', [...$fixture, 'name' => 'Spare one'])->assertStatus(422);
        // Wider than it was, a profile lays its fixtures on one another.
        $profile = [
            'name' => 'Moving lantern',
            'parameters' => [['name' => 'pan', 'slots' => 4], ['name' => 'tilt', 'slots' => 4], ['name' => 'level']],
        ];
        $refused = $this->putJson('/api/show/profiles/moving-lantern', $profile)->assertStatus(422);
        self::assertStringContainsString('"Fern SL" would share slots 7 to 9 with "Fern SR"', $refused->json('faults.0.problem'));
        // Whoever is deleted is forgotten by those who shared slots with it.
        $this->deleteJson('/api/show/fixtures/fern-right')->assertOk();
        self::assertArrayNotHasKey('sharesWith', $this->fixture('spare'));
        $this->postJson('/api/show/undo')->assertOk();
        self::assertSame(['fern-right'], $this->fixture('spare')['sharesWith']);
    }

    public function testAShowThatHasOverlapsOpensAndStaysEditable(): void
    {
        $this->as(Role::Builder);
        $document = app(ShowStore::class)->document();
        $document['fixtures'][] = [
            'id' => 'old',
            'name' => 'Old',
            'profile' => 'dimmer',
            'universe' => 'palm-house',
            'first' => 5,
        ];
        $this->postJson('/api/show/import', $document)->assertOk();
        $shares = collect($this->getJson('/api/show')->json('patch'))->firstWhere('id', 'lantern')['shares'];
        self::assertSame([['id' => 'old', 'name' => 'Old', 'meant' => false]], $shares);
        $this->putJson(
            '/api/show/fixtures/lantern',
            ['name' => 'Lantern', 'profile' => 'dimmer', 'universe' => 'palm-house', 'first' => 5, 'note' => 'the old one'],
        )->assertOk();
        $this->putJson(
            '/api/show/fixtures/lantern',
            ['name' => 'Lantern', 'profile' => 'dimmer', 'universe' => 'palm-house', 'first' => 5, 'sharesWith' => ['old']],
        )->assertOk();
        $this->putJson(
            '/api/show/fixtures/lantern',
            ['name' => 'Lantern', 'profile' => 'dimmer', 'universe' => 'palm-house', 'first' => 9, 'sharesWith' => ['old']],
        )->assertStatus(422);
    }

    public function testWhatDrivesAFixtureDrivesItsClone(): void
    {
        $this->as(Role::Builder);
        $route = [
            'name' => 'Size',
            'when' => ['kind' => 'osc', 'port' => 'guides-tablet', 'address' => '/size'],
            'do' => [['kind' => 'set', 'point' => 'fixture:laser/size']],
        ];
        $this->postJson('/api/show/routes', $route)->assertOk();
        $answer = $this->postJson(
            '/api/show/fixtures/deed',
            ['kind' => 'clone', 'fixture' => 'laser', 'universe' => 'lily-pond', 'first' => 101],
        )->assertOk();
        self::assertSame(['pond-laser-2'], $answer->json('ids'));
        $routes = collect(app(ShowStore::class)->document()['routes']);
        self::assertSame(
            ['fixture:laser/size', 'fixture:pond-laser-2/size'],
            array_column($routes->firstWhere('name', 'Size')['do'], 'point'),
        );
    }

    public function testAProfileInUseIsNotDeletedAndItsUsersAreNamed(): void
    {
        $this->as(Role::Builder);
        $refused = $this->deleteJson('/api/show/profiles/moving-lantern')->assertStatus(422);
        self::assertStringContainsString('Fern SL', json_encode($refused->json('faults'), JSON_THROW_ON_ERROR));
        self::assertStringContainsString('Fern SR', json_encode($refused->json('faults'), JSON_THROW_ON_ERROR));
    }

    public function testAddressesAndTheLibrary(): void
    {
        $this->as(Role::Viewer);
        $this->getJson('/api/show/address?text=0:0:2/101')
            ->assertOk()
            ->assertJsonPath('ways.0.universe', 'fern-gallery')
            ->assertJsonPath('ways.0.slot', 101);
        $this->getJson('/api/show/address?text=7&here=canopy')->assertOk()->assertJsonPath('ways.0.universe', 'canopy');
        $this->getJson('/api/show/address?text=nowhere')->assertOk()->assertJsonPath('ways', []);
        $this->getJson('/api/show/address')->assertStatus(422);
        self::assertCount(\count(Library::all()), $this->getJson('/api/library')->assertOk()->json('profiles'));
        $this->as(Role::Builder);
        $this->postJson('/api/show/profiles', Library::all()[1])->assertOk()->assertJsonPath('id', 'rgb');
    }

    public function testFixtureTypesAndScenesGoOutAndComeIn(): void
    {
        $this->as(Role::Builder);
        $type = (string) $this->get('/api/show/profiles/moving-lantern/type')->assertOk()->assertHeader(
            'Content-Disposition',
            'attachment; filename="moving-lantern.gdtf"',
        )->getContent();
        $this->get('/api/show/profiles/nothing/type')->assertStatus(404);
        $answer = $this->send('/api/show/profiles/type', $type)->assertOk()->assertJsonPath('id', 'moving-lantern-2');
        self::assertSame([], $answer->json('left'));
        self::assertSame([1, 2], $answer->json('footprints')['moving-lantern-2'][''][0]['slots']);
        $refused = $this->send('/api/show/profiles/type', 'no zip')->assertStatus(422);
        self::assertStringContainsString('it is no zip archive', $refused->json('faults.0.problem'));
        // What names fixtures is in nobody's way.
        $this->postJson('/api/show/groups', ['name' => 'Lights', 'members' => ['lantern']])->assertOk();
        $scene = (string) $this->get('/api/show/scene')->assertOk()->getContent();
        $before = app(ShowStore::class)->document();
        $answer = $this->send('/api/show/scene', $scene)->assertOk();
        self::assertSame(['fixtures' => 14, 'profiles' => 4, 'universes' => 0], $answer->json('added'));
        $places = static fn(array $fixtures): array => array_map(
            static fn(array $one): array => [$one['name'], $one['universe'], $one['first']],
            $fixtures,
        );
        self::assertSame(
            $places($before['fixtures']),
            $places(\array_slice(app(ShowStore::class)->document()['fixtures'], 14)),
            'each where it was',
        );
        $this->postJson('/api/show/undo')->assertJsonPath('undone', 'take in the fixtures of a scene');
        self::assertSame($before, app(ShowStore::class)->document());
        $this->send('/api/show/scene', '')->assertStatus(422);
        $this->as(Role::Operator);
        $this->send('/api/show/scene', $scene)->assertStatus(403);
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function send(string $path, string $bytes): \Illuminate\Testing\TestResponse
    {
        return $this->call(
            'POST',
            $path,
            server: ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'],
            content: $bytes,
        );
    }

    /** @return array<string, mixed> */
    private function fixture(string $id): array
    {
        return collect(app(ShowStore::class)->document()['fixtures'])->firstWhere('id', $id) ?? [];
    }
}
