<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Engine\LiveLink\Role;

/** Looks, cue lists, masters and waves by the interface that pages use. */
final class ProgrammeApiTest extends AppTestCase
{
    private const HEADS = 'number,name,look,up,down,delay,follow,note,values,kinds,assert,block,do';

    public function testAFixtureThatIsDeletedGoesFromLooksCuesWavesAndMastersInTheSameEdit(): void
    {
        $this->as(Role::Builder);
        $values = [['point' => 'fixture:lantern/level', 'value' => 10], ['point' => 'fixture:walk-3/level', 'value' => 20]];
        $this->postJson('/api/show/looks', ['name' => 'Both', 'values' => $values])->assertOk();
        $this->postJson('/api/show/lists', ['name' => 'Own', 'cues' => [['number' => '1', 'values' => $values]]])->assertOk();
        $this->postJson('/api/show/masters', ['name' => 'Two', 'over' => 'fixtures', 'fixtures' => ['lantern', 'walk-3']])->assertOk();
        $this->postJson(
            '/api/show/waves',
            ['name' => 'Two', 'on' => [['point' => 'fixture:lantern/level'], ['point' => 'fixture:walk-3/level']]],
        )->assertOk();
        $this->deleteJson('/api/show/fixtures/walk-3')->assertOk();
        $document = $this->getJson('/api/show')->json('document');
        $of = static fn(string $list, string $id): array => collect($document[$list])->firstWhere('id', $id);
        self::assertSame([$values[0]], $of('looks', 'both')['values']);
        self::assertSame([$values[0]], $of('lists', 'own')['cues'][0]['values']);
        self::assertSame(['lantern'], $of('masters', 'two')['fixtures']);
        self::assertSame([['point' => 'fixture:lantern/level']], $of('waves', 'two')['on']);
        self::assertStringNotContainsString(
            'fixture:walk-3/',
            (string) json_encode([$document['looks'], $document['lists']], JSON_UNESCAPED_SLASHES),
        );
        // One undo brings all of it back.
        $this->postJson('/api/show/undo')->assertOk();
        $document = $this->getJson('/api/show')->json('document');
        self::assertSame($values, collect($document['looks'])->firstWhere('id', 'both')['values']);
        self::assertSame(['lantern', 'walk-3'], collect($document['masters'])->firstWhere('id', 'two')['fixtures']);
    }

    public function testALookThatACueNamesIsNotDeletedAndTheCueIsNamed(): void
    {
        $this->as(Role::Builder);
        $refused = $this->deleteJson('/api/show/looks/walk-in')->assertStatus(422);
        self::assertSame('/lists/0/cues/0/look', $refused->json('faults.0.path'));
        self::assertStringContainsString('there is no look "walk-in"', $refused->json('faults.0.problem'));
    }

    public function testCuesGoOutAndInAsATable(): void
    {
        $this->as(Role::Builder);
        $csv = $this->get('/api/show/lists/night-walk/sheet')
            ->assertOk()
            ->assertHeader('Content-Type', 'text/csv; charset=utf-8')
            ->getContent();
        self::assertStringContainsString(self::HEADS, (string) $csv);
        self::assertStringContainsString('2.5,"Ferns at dusk",dusk,8,8,,c+20,', (string) $csv);
        $this->take('night-walk', (string) $csv)->assertOk()->assertJsonPath('same', 5)->assertJsonPath('changed', 0);
        // Known by their numbers; a look by its name too; what has no column stays.
        $this->take('night-walk', "number,name,look,up,follow\n3,Roof,Glass roof,\"2,5\",4\n2.7,New,,1,\n")
            ->assertOk()->assertJsonPath('added', 1)->assertJsonPath('changed', 1);
        $cues = collect($this->getJson('/api/show')->json('document.lists'))->firstWhere('id', 'night-walk')['cues'];
        self::assertSame(['1', '2', '2.5', '2.7', '3', '4'], array_column($cues, 'number'));
        self::assertEquals(
            ['number' => '3', 'name' => 'Roof', 'look' => 'roof', 'up' => 2.5, 'down' => 5, 'follow' => ['kind' => 'after', 'seconds' => 4]],
            $cues[4],
        );
    }

    public function testWhatIsWrongInATableIsSaidLineByLineAndNothingChanges(): void
    {
        $this->as(Role::Builder);
        $before = $this->getJson('/api/show')->json('document.lists');
        foreach ([
            ["number,name\none,X\n", 'row 2, column number'],
            ["number,up\n1,soon\n", 'row 2, column up'],
            ["number,up\n1,-2\n", 'row 2, column up'],
            ["number,look\n1,gone\n", 'row 2, column look'],
            ["number,follow\n1,later\n", 'row 2, column follow'],
            ["number,name\n1,A\n1,B\n", 'row 3, column number'],
            ["name\nA\n", 'row 1'],
            ["number,colour\n1,red\n", 'row 1'],
        ] as [$csv, $path]) {
            self::assertContains($path, array_column($this->take('night-walk', $csv)->assertStatus(422)->json('faults'), 'path'), $csv);
        }
        self::assertSame($before, $this->getJson('/api/show')->json('document.lists'));
        $this->call(
            'POST',
            '/api/show/lists/night-walk/sheet?try=1',
            server: ['HTTP_ACCEPT' => 'application/json'],
            content: "number,name\n9,Nine\n",
        )
            ->assertOk()->assertJsonPath('added', 1);
        self::assertSame($before, $this->getJson('/api/show')->json('document.lists'), 'a trial changes nothing');
        $this->get('/api/show/lists/gone/sheet', ['Accept' => 'application/json'])->assertStatus(404);
    }

    public function testAFigureBecomesWavesInOneEdit(): void
    {
        $this->as(Role::Builder);
        $this->getJson('/api/show/figure')->assertOk()->assertJsonPath('fields.1.name', 'of');
        $ids = $this->postJson(
            '/api/show/figure',
            ['name' => 'Ring', 'of' => 'group:ferns', 'figure' => 'circle', 'size' => 5, 'rate' => 0.25],
        )
            ->assertOk()
            ->json('ids');
        self::assertSame(['ring-pan', 'ring-tilt'], $ids);
        $waves = collect($this->getJson('/api/show')->json('document.waves'))->keyBy('id');
        self::assertEquals(
            [90, null, 5, 5],
            [$waves['ring-pan']['phase'], $waves['ring-tilt']['phase'] ?? null, $waves['ring-pan']['size'], $waves['ring-tilt']['size']],
        );
        self::assertSame('group:ferns/pan', $waves['ring-pan']['on'][0]['point']);
        $this->postJson(
            '/api/show/figure',
            ['name' => 'Eight', 'of' => 'fixture:fern-left', 'figure' => 'eight', 'unit' => 'beats', 'rate' => 4],
        )->assertOk();
        $this->postJson(
            '/api/show/figure',
            ['name' => 'Path', 'of' => 'fixture:fern-left', 'figure' => 'points', 'points' => [20, 30, 80, 30, 50, 70]],
        )->assertOk();
        $waves = collect($this->getJson('/api/show')->json('document.waves'))->keyBy('id');
        self::assertEquals(
            [4, 2, [20, 80, 50], [30, 30, 70]],
            [$waves['eight-pan']['rate'], $waves['eight-tilt']['rate'], $waves['path-pan']['points'], $waves['path-tilt']['points']],
        );
        foreach ([
            ['of' => 'fixture:lantern'],
            ['of' => 'fixture:gone'],
            ['of' => 'lantern'],
            ['figure' => 'points', 'points' => [1, 2, 3]],
            ['figure' => 'star'],
        ] as $wrong) {
            $this->postJson('/api/show/figure', $wrong + ['name' => 'Wrong', 'of' => 'group:ferns'])->assertStatus(422);
        }
        $this->postJson('/api/show/undo')->assertOk();
        self::assertFalse(
            collect($this->getJson('/api/show')->json('document.waves'))->contains('id', 'path-pan'),
            'one undo takes both back',
        );
    }

    public function testAnOperatorChangesNoCues(): void
    {
        $this->as(Role::Operator);
        $this->take('night-walk', "number,name\n1,X\n")->assertStatus(403);
        $this->get('/api/show/lists/night-walk/sheet')->assertOk();
    }

    private function take(string $list, string $csv): \Illuminate\Testing\TestResponse
    {
        return $this->call(
            'POST',
            "/api/show/lists/{$list}/sheet",
            server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'text/csv'],
            content: $csv,
        );
    }
}
