<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Shows\ShowStore;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Engine\LiveLink\Role;

/** Settings of a show, finds that become ports, and copies, as pages store them. */
final class SettingsApiTest extends AppTestCase
{
    public function testTheOctaveConventionIsStoredAppliedAndUndone(): void
    {
        $this->as(Role::Builder);
        $this->patchJson('/api/show', ['middleC' => 3])->assertOk()->assertJsonPath('document.middleC', 3)
            ->assertJsonPath(
                'sentences.doors',
                'When note 49 (C#2) on channel 1 arrives on Talk slides, set Doors, level (slot 9 of Palm House): its velocity, 0 to 127, becomes level 0 to 255.',
            );
        self::assertSame(3, app(ShowStore::class)->document()['middleC']);
        $this->patchJson('/api/show', ['middleC' => 6])->assertStatus(422)->assertJsonPath('faults.0.path', '/middleC');
        $this->postJson('/api/show/undo')->assertJsonPath(
            'undone',
            'change the octave convention',
        )->assertJsonPath('document.middleC', 4);
        $this->patchJson('/api/show', ['name' => 'Day Walk'])->assertJsonPath('document.name', 'Day Walk')->assertJsonPath(
            'undo',
            'rename the show to "Day Walk"',
        );
    }

    public function testAFindBecomesAPortInOneStepAndIsUndoneInOne(): void
    {
        $this->as(Role::Builder);
        $before = app(ShowStore::class)->json();
        $answer = $this->postJson(
            '/api/show/take-up',
            ['name' => 'Roof node', 'protocol' => 'art-net', 'address' => '127.0.0.60', 'gives' => [], 'takes' => [4, 5]],
        )
            ->assertOk()->assertJsonPath('id', 'roof-node');
        $port = array_values(
            array_filter($answer->json('document.ports'), static fn(array $port): bool => $port['id'] === 'roof-node'),
        )[0];
        self::assertSame(['127.0.0.60'], $port['send']['to']);
        self::assertSame([4, 5], array_column($port['send']['carries'], 'number'));
        self::assertSame(
            'Roof node 4',
            collect($answer->json('document.universes'))->firstWhere('id', $port['send']['carries'][0]['universe'])['name'],
        );
        $this->postJson('/api/show/undo')->assertJsonPath('undone', 'add "Roof node", found on the network');
        self::assertSame($before, app(ShowStore::class)->json());
        $this->postJson(
            '/api/show/take-up',
            ['name' => 'x', 'protocol' => 'art-net', 'address' => 'the roof'],
        )->assertStatus(422);
        $this->as(Role::Operator)->postJson('/api/show/take-up', [])->assertForbidden();
    }

    public function testCopiesAreEditedAndACircleIsRefused(): void
    {
        $this->as(Role::Builder);
        $copy = [
            'name' => 'Back again',
            'from' => ['universe' => 'fern-gallery', 'first' => 101, 'count' => 1],
            'to' => ['universe' => 'palm-house', 'first' => 40],
        ];
        $this->postJson('/api/show/copies', $copy)->assertStatus(422)->assertJsonPath('faults.0.path', '/copies/0/to/universe');
        $copy['to']['universe'] = 'canopy';
        $this->postJson('/api/show/copies', $copy)->assertOk()->assertJsonPath('id', 'back-again');
        $this->putJson(
            '/api/show/copies/back-again',
            [...$copy, 'repeat' => 600],
        )->assertStatus(422)->assertJsonPath('faults.0.path', '/copies/1/repeat');
        $this->putJson(
            '/api/show/copies/back-again',
            [...$copy, 'repeat' => 3, 'limit' => 41],
        )->assertOk()->assertJsonPath('document.copies.1.limit', 41);
        $this->deleteJson('/api/show/copies/back-again')->assertOk()->assertJsonCount(1, 'document.copies');
        $this->deleteJson('/api/show/universes/canopy')->assertStatus(422);
    }

    public function testThePatchIsEditedAndSeenWithItsSlots(): void
    {
        $this->as(Role::Builder);
        $this->getJson('/api/show')->assertJsonPath(
            'nextFree',
            ['palm-house' => 486, 'fern-gallery' => 13, 'canopy' => 19, 'lily-pond' => 13, 'pond-wall-1' => 511, 'pond-wall-2' => 407],
        );
        $this->postJson(
            '/api/show/profiles',
            ['name' => 'Spot', 'parameters' => [['name' => 'level', 'intensity' => true], ['name' => 'pan', 'slots' => 2]]],
        )->assertOk()->assertJsonPath('id', 'spot');
        $fixture = ['name' => 'Path spot', 'profile' => 'spot', 'universe' => 'palm-house', 'first' => 8];
        $this->postJson('/api/show/fixtures', $fixture)->assertStatus(422)->assertJsonPath('faults.0.path', '/fixtures/14/first');
        $sheet = $this->postJson(
            '/api/show/fixtures',
            [...$fixture, 'sharesWith' => ['doors']],
        )->assertOk()->assertJsonPath('id', 'path-spot')->json('patch');
        $spot = collect($sheet)->firstWhere('id', 'path-spot');
        $footprint = array_map(
            static fn(array $one): array => [$one['key'], $one['slots'], $one['kind'], $one['highest']],
            $this->getJson('/api/show')->json('footprints.spot')[''],
        );
        self::assertSame(
            [
                8,
                10,
                [['id' => 'doors', 'name' => 'Doors', 'meant' => true]],
                [
                    ['level', [1], 'intensity', true],
                    ['pan', [2, 3], 'other', false],
                ],
            ],
            [$spot['first'], $spot['last'], $spot['shares'], $footprint],
        );
        $this->deleteJson('/api/show/profiles/spot')->assertStatus(422)->assertJsonPath('faults.0.path', '/fixtures/14/profile');
        $this->postJson('/api/show/undo')->assertJsonPath('undone', 'add fixture "Path spot"');
    }

    public function testUniversesThatHaveNoLineAreNamed(): void
    {
        $this->as(Role::Builder);
        $node = collect(app(ShowStore::class)->document()['ports'])->firstWhere('id', 'balcony-node');
        unset($node['id']);
        $node['send']['lines'] = 1;
        $node['send']['carries'][0]['rank'] = 2;
        $node['send']['carries'][1]['rank'] = 1;
        $this->putJson('/api/show/ports/balcony-node', $node)->assertOk()->assertJsonPath(
            'unsent',
            ['balcony-node' => ['Palm House']],
        );
        self::assertNotSame([], $this->getJson('/api/show')->json('adapters'));
        foreach ($this->getJson('/api/show')->json('adapters') as $adapter) {
            self::assertSame(
                ip2long($adapter['address']) | ip2long($adapter['netmask']) ^ 0xFFFFFFFF,
                ip2long($adapter['broadcast']),
                'all bits of the host set (RFC 919, from memory)',
            );
        }
    }

    public function testValuesAndLongRoutesAreEditedAndTheirKindsDescribed(): void
    {
        $this->as(Role::Builder);
        $kinds = $this->getJson('/api/kinds')->assertOk()->json();
        self::assertSame(array_keys(Show::LISTS), array_keys($kinds['lists']));
        self::assertSame('art-net', $kinds['lists']['ports']['fields'][2]['words'][0]);
        $kinds = $kinds['kinds'];
        self::assertSame(
            ['trigger', 'condition', 'step', 'action', 'option', 'back', 'message', 'argument', 'fromEnd', 'toEnd', 'layout', 'follow', 'handle', 'controlKind', 'trackKind', 'dayMoment', 'offeredFunction', 'starting', 'template'],
            array_keys($kinds),
        );
        self::assertGreaterThanOrEqual(
            5,
            min(array_map(
                count(...),
                array_diff_key(
                    $kinds,
                    ['option' => 0, 'back' => 0, 'fromEnd' => 0, 'toEnd' => 0, 'layout' => 0, 'follow' => 0, 'offeredFunction' => 0, 'handle' => 0, 'trackKind' => 0, 'dayMoment' => 0],
                ),
            )),
        );
        self::assertSame(
            ['port', 'universe', 'state'][0],
            collect($kinds['trigger'])->firstWhere('kind', 'note')['fields'][0]['name'],
        );
        $this->postJson(
            '/api/show/values',
            ['name' => 'Mood', 'type' => 'choice', 'choices' => ['calm', 'bright']],
        )->assertOk()->assertJsonPath('id', 'mood');
        $route = [
            'name' => 'Mood by tablet',
            'when' => ['kind' => 'osc', 'port' => 'guides-tablet', 'address' => '/mood'],
            'do' => [['kind' => 'set', 'point' => 'value:mood', 'value' => 'bright']],
        ];
        $this->postJson('/api/show/routes', $route)->assertOk()->assertJsonPath('id', 'mood-by-tablet')
            ->assertJsonPath('sentences.mood-by-tablet', 'When /mood arrives on Guide\'s tablet, set "Mood" to bright.')
            ->assertJsonPath('routeEnds.mood-by-tablet.hears', ['guides-tablet']);
        $copy = $this->getJson('/api/show')->json('document.copies.0');
        $this->putJson(
            "/api/show/copies/{$copy['id']}",
            [...array_diff_key($copy, ['id' => 0]), 'limit' => 105],
        )->assertOk()->assertJsonPath('undo', "change copy \"{$copy['name']}\"");
        $this->postJson('/api/show/undo')->assertOk();
        $this->deleteJson('/api/show/values/mood')->assertStatus(422)->assertJsonPath('faults.0.path', '/routes/12/do/0/point');
        $this->postJson('/api/show/undo')->assertJsonPath('undone', 'add route "Mood by tablet"');
    }

    public function testAFormulaIsLookedAtWhileItIsTyped(): void
    {
        $this->as(Role::Builder);
        $this->postJson('/api/formula', ['text' => 'value * 2'])->assertOk()->assertJsonPath('problem', '');
        $wrong = $this->postJson('/api/formula', ['text' => 'value *'])->assertOk();
        self::assertStringStartsWith('something is missing at the end', $wrong->json('problem'));
        self::assertStringContainsString('point("fixture:lantern/level")', $wrong->json('allowed'));
        $this->postJson('/api/formula', ['text' => str_repeat('1+', 300).'1'])->assertStatus(422);
        $route = [
            'name' => 'R',
            'when' => ['kind' => 'started'],
            'steps' => [['kind' => 'formula', 'text' => 'valeu']],
            'do' => [['kind' => 'press', 'point' => 'value:house-open']],
        ];
        $refused = $this->postJson('/api/show/routes', $route)->assertStatus(422);
        self::assertSame('/routes/12/steps/0/text', $refused->json('faults.0.path'));
    }
}
