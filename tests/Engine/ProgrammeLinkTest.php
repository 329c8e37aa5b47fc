<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Live\Programme\WhatIsThere;
use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Programme\PointValue;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\LiveLink;
use PHPUnit\Framework\TestCase;

/** The programme by the live link: what is live, what a look can be made of, and values that are held to be seen. */
final class ProgrammeLinkTest extends TestCase
{
    public function testWhatIsThereIsGatheredByFixtureKindAndLightAndSaysExactlyWhatStandsInTheSlots(): void
    {
        $evening = new Evening();
        $evening->rig->artNet([1 => 77, 3 => 123, 4 => 45, 5 => 200, 7 => 9, 100 => 33]);
        $evening->rig->sacn([2 => 50]);
        $evening->rig->junction->hold('palm', [new Hold(0, 99, 'anna', $evening->rig->nanos() + 1_000_000_000)], $evening->rig->nanos());
        $there = new WhatIsThere($evening->rig->junction->plan()->patch, $evening->rig->junction->universes());
        $of = static fn(array $values): array => array_map(
            static fn(PointValue $one): string => "{$one->point->text()} {$one->value}",
            $values,
        );
        $all = $there->leaves()->values();
        self::assertCount(7, $all, 'six parameters, and a slot that nothing is known of');
        self::assertSame('slot:palm/100 33', $of($all)[6]);
        $again = new Evening(['looks' => [['id' => 'kept', 'name' => 'Kept', 'fadeIn' => 0, 'values' => array_map(
            static fn(PointValue $one): array => ['point' => $one->point->text(), 'value' => $one->value],
            $all,
        )]]]);
        $again->press('look:kept');
        self::assertSame([99, 50, 123, 45, 200, 0, 9, 0, 33], [...$again->levels(), $again->rig->level(100)]);
        self::assertSame(
            ['fixture:h/pan', 'fixture:h/red', 'fixture:h/wheel'],
            array_map(static fn(PointValue $one): string => $one->point->text(), $there->leaves()->values(['h'])),
        );
        self::assertSame(['fixture:h/red 3.5'], $of($there->leaves()->values([], [ParameterKind::Colour])));
        self::assertSame(['fixture:a/level 39'], $of($there->holds()->values()));
        self::assertContains('fixture:b/level 19.6', $of($there->sentAt('guest')->values()));
        self::assertContains('fixture:a/level 0', $of($there->sentAt('guest')->values()), 'it sends all 512');
        self::assertNotContains('fixture:a/level 0', $of($there->sentAt('guest')->values(onlyLit: true)));
        $level = static fn(string $id, float $value): PointValue => new PointValue(Evening::point("fixture:{$id}/level"), $value);
        $named = [new PointValue(Evening::point('group:all/level'), 1)];
        self::assertSame(
            ['group:all/level 40'],
            $of($there->leaves()->asNamed([$level('a', 40.0), $level('b', 40.0), $level('c', 40.0)], $named)),
        );
        self::assertCount(3, $there->leaves()->asNamed([$level('a', 40.0), $level('b', 41.0), $level('c', 40.0)], $named));
    }

    public function testAPageSeesWhatIsLiveAndGathersAndHolds(): void
    {
        $live = Background::freePort();
        $document = [...EngineProcess::document('127.78.45'), ...Evening::show(),
            'ports' => [['id' => 'art', 'name' => 'Art', 'protocol' => 'art-net', 'send' => ['address' => '127.78.45.1', 'to' => ['127.78.45.4'], 'carries' => [['number' => 3, 'universe' => 'palm']]]]],
            'looks' => [['id' => 'doors', 'name' => 'Doors', 'fadeIn' => 0, 'values' => Evening::values(['fixture:a/level' => 40])]],
            'lists' => [['id' => 'walk', 'name' => 'Walk', 'cues' => [['number' => '1', 'up' => 0, 'look' => 'doors'], ['number' => '2', 'look' => 'doors']]]],
            'masters' => [['id' => 'grand', 'name' => 'Grand master']],
            'tempos' => [['id' => 'main', 'name' => 'Main', 'start' => 98.96]],
            'waves' => [['id' => 'breath', 'name' => 'Breath', 'on' => [['point' => 'fixture:b/level']]]],
        ];
        $engine = new EngineProcess($document, ['--for=60', "--live=127.0.0.1:{$live}"]);
        try {
            $heard = (new LiveLink($live, Role::Builder, [
                ['do' => 'subscribe', 'topics' => ['programme', 'points:hold:palm/4']],
                ['do' => 'press', 'point' => 'look:doors'],
                ['do' => 'press', 'point' => 'list:walk/go'],
                ['do' => 'set', 'point' => 'master:grand', 'value' => 50],
                ['do' => 'set', 'point' => 'wave:breath', 'value' => 1],
                ['do' => 'hold', 'universe' => 'palm', 'slot' => 100, 'level' => 7],
                ['do' => 'set', 'point' => 'master:blackout', 'value' => 1],
                ['do' => 'gather', 'from' => 'leaves', 'kind' => 'intensity', 'fixtures' => ['a']],
                ['do' => 'preview', 'values' => Evening::values(['fixture:c/level' => 100]), 'seconds' => 60],
                ['do' => 'preview', 'values' => Evening::values(['value:none' => 1])],
                ['do' => 'foresee', 'values' => Evening::values(['fixture:b/level' => 60, 'fixture:a/level' => 40])],
                ['do' => 'foresee', 'list' => 'walk'],
                ['do' => 'foresee', 'look' => 'moss'],
            ], 1.5))->heard();
        } finally {
            $engine->stop();
        }
        $news = end($heard['programme']);
        self::assertEquals([98.96, 'hand', ''], [$news['tempos'][0]['bpm'], $news['tempos'][0]['source'], $news['tempos'][0]['leader']]);
        self::assertEquals(['doors', 100], [$news['looks'][0]['id'], $news['looks'][0]['level']]);
        self::assertSame(['1', '2', 'running'], [$news['lists'][0]['cue'], $news['lists'][0]['next'], $news['lists'][0]['state']]);
        self::assertEquals(
            [50, 0.5, true, true],
            [$news['masters'][0]['level'], $news['masters'][0]['share'], $news['waves'][0]['isOn'], $news['blackout']],
        );
        self::assertSame(1, $news['leftLit'], 'slot 100 is raised, and nobody knows what listens there');
        $gathered = array_values(array_filter(array_column($heard['answer'], 'values')))[0];
        self::assertEquals(
            ['fixture:a/level', 40, 'A, level', 'intensity'],
            array_values(array_slice($gathered[0], 0, 4)),
            'what is asked for, before masters',
        );
        self::assertSame(255, end($heard['point'])['value']);
        self::assertContains('There is nothing in it that could be held.', array_column($heard['answer'], 'error'));
        [$draft, $next] = array_values(array_filter($heard['answer'], static fn(array $one): bool => isset($one['points'])));
        self::assertEquals(
            [['fixture:b/level', 0, 60, true], 1],
            [[$draft['points'][0]['point'], $draft['points'][0]['now'], $draft['points'][0]['then'], $draft['points'][0]['isAsWanted']], $draft['same']],
        );
        self::assertSame([[], 1], [$next['points'], $next['same']], 'the next cue is the same look: all stays as it is');
        self::assertContains('There is no look "moss" in the show.', array_column($heard['answer'], 'error'));
    }
}
