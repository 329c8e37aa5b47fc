<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Engine\LiveLink\Role;

/** Pixel maps by the interface that pages use: the picture of one that is being built, and its place in the patch. */
final class PixelsApiTest extends AppTestCase
{
    private const STRIP = [
        'name' => 'Strip',
        'layout' => ['kind' => 'line', 'count' => 40],
        'order' => 'rgbw',
        'universes' => ['fern-gallery'],
        'first' => 301,
    ];

    public function testThePictureOfOneThatIsBeingBuilt(): void
    {
        $this->as(Role::Viewer);
        $panel = ['layout' => ['kind' => 'rectangle', 'columns' => 22, 'rows' => 31, 'zigzag' => true], 'split' => true];
        $answer = $this->postJson('/api/show/pixels/layout', $panel)->assertOk()->assertJson([
            'problem' => '',
            'counts' => '682 pixels, 4 universes, 2,046 of 2,048 slots',
            'universes' => 4,
        ]);
        self::assertSame([21, 1], array_map(intval(...), $answer->json('places.22')));
        self::assertSame([510, 511, 512], $answer->json('slots.170'));
        $answer = $this->postJson('/api/show/pixels/layout', ['layout' => ['kind' => 'line', 'count' => 0]])->assertOk();
        self::assertStringContainsString('layout/count', $answer->json('problem'));
        $this->postJson('/api/show/pixels/layout', ['layout' => 'none'])->assertOk()->assertJsonMissingPath('places');
    }

    public function testItStandsInThePatchAndMayNotLieOnOthersUnlessItIsMeant(): void
    {
        $this->as(Role::Builder);
        $answer = $this->postJson('/api/show/pixels', self::STRIP)->assertOk()->assertJsonPath('id', 'strip');
        $line = collect($answer->json('patch'))->firstWhere('id', 'pixels:strip');
        self::assertSame(['fern-gallery', 301, 460], [$line['universe'], $line['first'], $line['last']]);
        self::assertSame(['map' => 'strip', 'colours' => ['red', 'green', 'blue', 'white'], 'stretches' => [[301, 1, 0]]], $line['pixels']);
        $fixture = ['name' => 'Spare', 'profile' => 'dimmer', 'universe' => 'fern-gallery', 'first' => 460];
        $refused = $this->postJson('/api/show/fixtures', $fixture)->assertStatus(422);
        self::assertStringContainsString('"Spare" would share slot 460 with "Strip"', $refused->json('faults.0.problem'));
        self::assertStringContainsString('461 is the next free address.', $refused->json('faults.0.allowed'));
        $this->postJson('/api/show/fixtures', [...$fixture, 'first' => 461])->assertOk();
        $refused = $this->putJson('/api/show/pixels/strip', [...self::STRIP, 'first' => 302])->assertStatus(422);
        self::assertSame('/pixels/1/first', $refused->json('faults.0.path'));
        self::assertStringContainsString('"Strip" would share slot 461 with "Spare"', $refused->json('faults.0.problem'));
        $this->putJson('/api/show/pixels/strip', [...self::STRIP, 'first' => 302, 'sharesWith' => ['spare']])->assertOk();
        $patch = collect($this->getJson('/api/show')->json('patch'));
        self::assertSame([['id' => 'spare', 'name' => 'Spare', 'meant' => true]], $patch->firstWhere('id', 'pixels:strip')['shares']);
        self::assertTrue($patch->firstWhere('id', 'spare')['shares'][0]['meant']);
        $this->deleteJson('/api/show/fixtures/spare')->assertOk();
        self::assertArrayNotHasKey('sharesWith', collect($this->getJson('/api/show')->json('document.pixels'))->firstWhere('id', 'strip'));
        $refused = $this->postJson('/api/show/pixels', [...self::STRIP, 'name' => 'Other', 'first' => 310])->assertStatus(422);
        self::assertStringContainsString('with "Strip"', $refused->json('faults.0.problem'));
    }

    public function testWhatSharedSlotsBeforeMayStayThoughItsProfileIsAnotherOne(): void
    {
        $this->as(Role::Builder);
        $show = $this->getJson('/api/show')->json('document');
        $lamp = static fn(string $id, int $first): array => [
            'id' => $id,
            'name' => $id,
            'profile' => 'dimmer',
            'universe' => 'fern-gallery',
            'first' => $first,
        ];
        array_push($show['fixtures'], $lamp('one', 401), $lamp('other', 401));
        $this->call('POST', '/api/show/import', [], [], [], ['CONTENT_TYPE' => 'application/json'], (string) json_encode($show))
            ->assertOk();
        $changed = [...array_diff_key($lamp('one', 401), ['id' => 0]), 'profile' => 'media-layer'];
        $this->putJson('/api/show/fixtures/one', $changed)->assertOk();
        $this->putJson('/api/show/fixtures/one', [...$changed, 'first' => 5])->assertStatus(422);
    }

    public function testARouteThatSetsItSaysSoAndKeepsItFromBeingDeleted(): void
    {
        $this->as(Role::Builder);
        $route = [
            'name' => 'Pond red',
            'when' => [['kind' => 'started']],
            'do' => [['kind' => 'set', 'point' => 'pixels:pond-wall/red', 'value' => 50], ['kind' => 'press', 'point' => 'dot:pond-wall']],
        ];
        $answer = $this->postJson('/api/show/routes', $route)->assertOk();
        self::assertSame(
            'When the engine has started, set Pond wall, all red to 50, then press the dot on Pond wall.',
            $answer->json('sentences.pond-red'),
        );
        self::assertSame(['pond-wall-1', 'pond-wall-2'], $answer->json('routeEnds.pond-red.sets'));
        $this->deleteJson('/api/show/pixels/pond-wall')->assertStatus(422);
        $this->postJson('/api/show/routes', [...$route, 'do' => [['kind' => 'set', 'point' => 'pixels:pond-wall/241/red', 'value' => 50]]])
            ->assertStatus(422);
    }

    public function testEveryExistingListOfTheShowTravelsAsATableToo(): void
    {
        $this->as(Role::Builder);
        $csv = (string) $this->get('/api/show/pixels/table')->assertOk()->getContent();
        self::assertStringContainsString('pond-wall', $csv);
    }
}
