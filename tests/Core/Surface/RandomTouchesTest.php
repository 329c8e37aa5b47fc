<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Surface;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Surface\Surfaces;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Surfaces that nobody has planned, touched by nobody's plan, by a seed: nothing breaks, and what is said stays true. */
final class RandomTouchesTest extends TestCase
{
    private const POINTS = [
        'slot:palm/1',
        'slot:palm/9',
        'fixture:a/level',
        'fixture:c/level',
        'fixture:h/pan',
        'group:all/level',
        'look:doors',
        'master:grand',
        'value:count',
        'value:open',
        'wave:breath/rate',
    ];

    public function testWhateverIsTouchedValuesStayWithinTheRangesOfTheirControls(): void
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            mt_srand($seed);
            $evening = $this->evening();
            for ($i = 0; $i < 60; ++$i) {
                $this->deed($evening);
                $this->check($evening, "seed {$seed}, deed {$i}");
            }
        }
    }

    public function testARestartAndAnEditInBetweenChangeNothingThatLeaves(): void
    {
        for ($seed = 101; $seed <= 125; ++$seed) {
            mt_srand($seed);
            $evening = $this->evening();
            for ($i = 0; $i < 40; ++$i) {
                $this->deed($evening);
            }
            $evening->rig->pass(5.0);
            $before = $evening->levels();
            $shown = $this->shown($evening);
            $evening->rig->adopt([...$evening->rig->document, 'name' => 'Edited']);
            self::assertSame([$before, $shown], [$evening->levels(), $this->shown($evening)], "seed {$seed}: an edit");
            $again = $evening->restarted();
            self::assertSame($before, $again->levels(), "seed {$seed}: a restart");
            self::assertSame($shown, $this->shown($again), "seed {$seed}: what controls show after it");
        }
    }

    public function testControlsOfOnePointNeverShowTwoValues(): void
    {
        for ($seed = 201; $seed <= 230; ++$seed) {
            mt_srand($seed);
            $twin = static fn(string $id, int $column): array => [
                'id' => $id,
                'name' => $id,
                'column' => $column,
                'does' => ['kind' => 'fader', 'points' => [['point' => 'fixture:a/level']]],
            ];
            $evening = new Evening(['surfaces' => [
                ['id' => 'one', 'name' => 'One', 'pages' => [['id' => 'p', 'name' => 'P', 'controls' => [$twin('x', 1)]]]],
                ['id' => 'two', 'name' => 'Two', 'pages' => [['id' => 'p', 'name' => 'P', 'controls' => [$twin('y', 1), $twin('z', 2)]]]],
            ]]);
            for ($i = 0; $i < 30; ++$i) {
                $point = ['surface:one/x', 'surface:two/y', 'surface:two/z'][mt_rand(0, 2)];
                $value = mt_rand(0, 100);
                mt_rand(0, 4) === 0 ? $evening->rig->artNet([1 => mt_rand(0, 255)]) : $evening->set($point, $value);
                $values = array_map($evening->read(...), ['surface:one/x', 'surface:two/y', 'surface:two/z']);
                self::assertCount(1, array_unique($values), "seed {$seed}, touch {$i}");
            }
        }
    }

    private function evening(): Evening
    {
        $controls = [];
        $kinds = ['button', 'fader', 'knob', 'endless', 'pad', 'stepper', 'label', 'meter', 'text'];
        for ($i = 0; $i < 12; ++$i) {
            $kind = $kinds[mt_rand(0, \count($kinds) - 1)];
            $bindings = array_map($this->binding(...), mt_rand(0, 3) === 0 ? [] : range(1, mt_rand(1, 3)));
            $does = match ($kind) {
                'pad' => ['across' => $bindings, 'up' => [$this->binding()], 'springs' => mt_rand(0, 1) === 1],
                'label', 'text' => [],
                'meter' => ['shows' => $this->binding()],
                'button' => ['points' => $bindings, 'mode' => ['toggle', 'momentary', 'once', 'hold'][mt_rand(0, 3)]],
                'fader', 'knob' => ['points' => $bindings, 'step' => mt_rand(1, 9), 'detents' => [mt_rand(0, 100)]],
                default => ['points' => $bindings],
            };
            $controls[] = [
                'id' => "c{$i}",
                'name' => "C {$i}",
                'column' => $i % 6 + 1,
                'row' => intdiv($i, 6) + 1,
                'does' => ['kind' => $kind, ...$does],
                ...(mt_rand(0, 5) === 0 ? ['longPress' => 'look:doors'] : []),
            ];
        }

        return new Evening([
            'ports' => Rig::document()['ports'],
            'looks' => [['id' => 'doors', 'name' => 'Doors', 'fadeIn' => 1, 'fadeOut' => 1, 'values' => Evening::values(['fixture:b/level' => 60])]],
            'masters' => [['id' => 'grand', 'name' => 'Grand']],
            'waves' => [['id' => 'breath', 'name' => 'Breath', 'on' => [['point' => 'fixture:b/level']]]],
            'values' => [['id' => 'count', 'name' => 'Count', 'type' => 'number', 'low' => -5, 'high' => 5, 'start' => 0, 'kept' => true], ['id' => 'open', 'name' => 'Open', 'type' => 'switch', 'kept' => true]],
            'surfaces' => [['id' => 'guide', 'name' => 'Guide', 'pages' => [['id' => 'p', 'name' => 'Page', 'controls' => $controls]]]],
        ]);
    }

    /** @return array<string, mixed> */
    private function binding(): array
    {
        $range = mt_rand(0, 2) === 0 ? ['low' => mt_rand(0, 40), 'high' => mt_rand(60, 100)] : [];

        return [
            'point' => self::POINTS[mt_rand(0, \count(self::POINTS) - 1)],
            ...$range,
            'curve' => ['linear', 'square', 'smooth'][mt_rand(0, 2)],
        ];
    }

    private function deed(Evening $evening): void
    {
        $surface = $evening->rig->junction->plan()->surfaces->surfaces['guide'];
        $control = $surface->controls['c'.mt_rand(0, 11)];
        $parts = array_keys($control->parts());
        $part = $parts[mt_rand(0, \count($parts) - 1)];
        $point = Evening::point("surface:guide/{$control->id}".($part === '' ? '' : "/{$part}"));
        $act = new Act('guest', 'Guide');
        $junction = $evening->rig->junction;
        match (mt_rand(0, 5)) {
            0 => $evening->rig->pass(mt_rand(1, 900) / 1000),
            1 => $evening->rig->artNet([mt_rand(1, 8) => mt_rand(0, 255)]),
            2 => $junction->press($point, $act, $evening->rig->nanos()),
            3 => $junction->set($point, ['loud', -3, 1e9, 0.5][mt_rand(0, 3)], $act, $evening->rig->nanos()),
            default => $junction->set($point, mt_rand(0, 1000) / 10, $act, $evening->rig->nanos()),
        };
    }

    private function check(Evening $evening, string $where): void
    {
        $junction = $evening->rig->junction;
        foreach ($junction->plan()->surfaces->surfaces['guide']->controls as $control) {
            $shown = $junction->controls->shown('guide', $control);
            foreach ($shown->at ?? [] as $at) {
                self::assertTrue($at === null || ($at >= 0.0 && $at <= 1.0), "{$where}: {$control->id} is at ".json_encode($at));
            }
            foreach ($control->parts() as $part => $kind) {
                $point = Evening::point("surface:guide/{$control->id}".($part === '' ? '' : "/{$part}"));
                self::assertSame($kind, $junction->points()->describe($point)?->kind);
                self::assertSame($part, Surfaces::part($point));
                $value = $junction->points()->read($point);
                self::assertTrue(
                    $kind !== PointKind::Level || $value === null || ($value >= 0 && $value <= 100),
                    "{$where}: {$point->text()}",
                );
            }
        }
    }

    /** @return list<array<mixed>> */
    private function shown(Evening $evening): array
    {
        $junction = $evening->rig->junction;
        $all = [];
        foreach ($junction->plan()->surfaces->surfaces['guide']->controls as $control) {
            $shown = $junction->controls->shown('guide', $control);
            $all[] = [array_map(static fn(?float $at): ?float => $at === null ? null : round($at, 2), $shown->at ?? []), $shown?->isOn];
        }

        return $all;
    }
}
