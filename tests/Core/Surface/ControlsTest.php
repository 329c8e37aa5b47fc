<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Surface;

use NimbleJunction\Core\Surface\ControlKinds;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Controls of a surface: what they move, and what they show of it. */
final class ControlsTest extends TestCase
{
    public function testAFaderGoesFromItsMinimumToItsMaximumAndShowsWhatOthersDo(): void
    {
        $evening = self::with(['kind' => 'fader', 'points' => [['point' => 'slot:palm/2', 'low' => 10, 'high' => 131]]]);
        foreach ([[0, 10], [50, 71], [100, 131], [140, 131], [-3, 10]] as [$at, $level]) {
            self::assertSame('', $evening->set('surface:guide/one', $at));
            self::assertSame($level, $evening->levels()[1], "at {$at} %");
        }
        $evening->rig->artNet([2 => 131]);
        self::assertSame(100.0, $evening->read('surface:guide/one'), 'a desk moves it');
        self::assertSame(['131', true], self::shown($evening));
    }

    public function testCurvesOfItsOwnGoBothWays(): void
    {
        foreach (['linear', 'square', 'root', 'logarithmic', 'smooth'] as $curve) {
            $evening = self::with(
                ['kind' => 'knob', 'points' => [['point' => 'master:grand', 'low' => 90, 'high' => 10, 'curve' => $curve]]],
                ['masters' => [['id' => 'grand', 'name' => 'Grand']]],
            );
            for ($at = 0; $at <= 100; $at += 5) {
                $evening->set('surface:guide/one', $at);
                self::assertEqualsWithDelta($at, $evening->read('surface:guide/one'), 1e-4, "{$curve} at {$at}");
            }
            self::assertEqualsWithDelta(10.0, $evening->read('master:grand'), 1e-9, 'turned round');
        }
    }

    public function testControlsOfOnePointStayTogetherAndTheLastHandHasIt(): void
    {
        $evening = self::with(
            ['kind' => 'fader', 'points' => [['point' => 'fixture:a/level']]],
            [],
            ['kind' => 'fader', 'points' => [['point' => 'fixture:a/level', 'high' => 50], ['point' => 'fixture:b/level', 'low' => 100, 'high' => 0]]],
        );
        $evening->set('surface:guide/one', 80);
        $evening->set('surface:guide/two', 40);
        self::assertSame([51, 153], \array_slice($evening->levels(), 0, 2), 'highest takes precedence nowhere between hands');
        self::assertEqualsWithDelta(20.0, $evening->read('surface:guide/one'), 0.2);
        self::assertSame(51, $evening->restarted()->levels()[0], 'what it gave is there after a restart');
        $evening->rig->adopt([...$evening->rig->document, 'name' => 'Edited']);
        self::assertSame([51, 153], \array_slice($evening->levels(), 0, 2), 'and after an edit');
        $evening->rig->adopt([...$evening->rig->document, 'surfaces' => []]);
        self::assertSame([0, 0], \array_slice($evening->levels(), 0, 2), 'and goes with the surface');
    }

    public function testButtonsPressWhatCanBePressedAndSetWhatCannot(): void
    {
        $looks = ['looks' => [[
            'id' => 'doors',
            'name' => 'Doors',
            'fadeIn' => 0,
            'fadeOut' => 0,
            'values' => Evening::values(['fixture:a/level' => 100]),
        ]]];
        $evening = self::with(
            ['kind' => 'button', 'points' => [['point' => 'look:doors']]],
            $looks,
            ['kind' => 'button', 'points' => [['point' => 'fixture:b/level', 'low' => 20, 'high' => 60]]],
        );
        self::assertSame('', $evening->press('surface:guide/one'));
        $evening->rig->pass(0.1);
        self::assertSame([255, 1], [$evening->levels()[0], $evening->read('surface:guide/one')]);
        $evening->press('surface:guide/one');
        $evening->rig->pass(0.1);
        self::assertSame([0, 0], [$evening->levels()[0], $evening->read('surface:guide/one')]);
        foreach ([153, 51, 153] as $level) {
            $evening->press('surface:guide/two');
            self::assertSame($level, $evening->levels()[1]);
        }
        $evening->set('surface:guide/two', 0);
        self::assertSame(51, $evening->levels()[1], 'let go');
    }

    public function testAPadHasTwoWaysAndAnEndlessKnobAndAStepperAddToWhereTheirPointsAre(): void
    {
        $evening = self::with(
            ['kind' => 'pad', 'across' => [['point' => 'fixture:h/pan', 'low' => 0, 'high' => 50]], 'up' => [['point' => 'fixture:a/level']]],
            ['values' => [['id' => 'count', 'name' => 'Count', 'type' => 'number', 'low' => 0, 'high' => 9, 'start' => 8]]],
            ['kind' => 'stepper', 'points' => [['point' => 'value:count']], 'step' => 1, 'wraps' => true],
            ['kind' => 'endless', 'points' => [['point' => 'fixture:b/level', 'low' => 40]]],
        );
        $evening->set('surface:guide/one/across', 100);
        $evening->set('surface:guide/one/up', 25);
        self::assertEqualsWithDelta(50, $evening->read('fixture:h/pan'), 0.1);
        self::assertEqualsWithDelta(25, $evening->read('fixture:a/level'), 0.3);
        foreach ([9.0, 0.0, 1.0] as $count) {
            $evening->press('surface:guide/two/up');
            self::assertSame($count, $evening->read('value:count'));
        }
        $evening->set('surface:guide/three/turn', 30);
        $evening->set('surface:guide/three/turn', 20);
        self::assertEqualsWithDelta(70, $evening->read('fixture:b/level'), 0.3);
        self::assertSame('it is stepped up and down', $evening->set('surface:guide/two/up', 3));
    }

    public function testStepsAndDetents(): void
    {
        $evening = self::with([
            'kind' => 'fader',
            'points' => [['point' => 'slot:palm/2', 'low' => 0, 'high' => 200]],
            'step' => 25,
            'detents' => [30],
        ]);
        foreach ([[10, 25], [13, 25], [20, 50], [29, 60], [31.5, 60], [33, 75]] as [$at, $level]) {
            $evening->set('surface:guide/one', $at);
            self::assertSame($level, $evening->levels()[1], "at {$at} %");
        }
    }

    public function testASelectorHasTheChoicesOfItsPoint(): void
    {
        $evening = self::with(
            ['kind' => 'selector', 'point' => 'value:mood'],
            ['values' => [['id' => 'mood', 'name' => 'Mood', 'type' => 'choice', 'choices' => ['calm', 'storm'], 'start' => 'calm']]],
        );
        self::assertSame("calm\nstorm", $evening->read('surface:guide/one'));
        $evening->press('surface:guide/one');
        self::assertSame('storm', $evening->read('value:mood'));
        $evening->set('surface:guide/one', 0);
        self::assertSame('calm', $evening->read('value:mood'));
        self::assertSame('it is one of: calm, storm', $evening->set('surface:guide/one', 'rain'));
    }

    public function testWhatIsBoundToNothingIsThereForRoutesAndIsKept(): void
    {
        $send = static fn(string $address): array => [[
            'kind' => 'send',
            'port' => 'tablet',
            'message' => ['kind' => 'osc', 'address' => $address, 'arguments' => [['kind' => 'text', 'text' => '{text}']]],
        ]];
        $evening = self::with(['kind' => 'text', 'longest' => 5], [], ['kind' => 'fader'], [], $send('/said'));
        $evening->rig->adopt([...$evening->rig->document, 'routes' => [[
            'id' => 'input', 'name' => 'Input', 'when' => ['kind' => 'point', 'point' => 'surface:guide/two'],
            'steps' => [['kind' => 'scale', 'from' => [0, 100], 'to' => [0, 255]]], 'do' => [['kind' => 'set', 'point' => 'slot:palm/8']],
        ]]]);
        $evening->set('surface:guide/two', 40);
        self::assertSame(102, $evening->levels()[7]);
        self::assertSame(40.0, $evening->restarted()->read('surface:guide/two'));
        self::assertSame('it has at most 5 characters', $evening->set('surface:guide/one', 'too long'));
        [, $packets] = $evening->rig->junction->set(
            Evening::point('surface:guide/one'),
            'hello',
            new \NimbleJunction\Core\Point\Act('guest', 'Guide'),
            $evening->rig->nanos(),
        );
        $message = Message::decode($packets[0]->bytes);
        self::assertSame(['/said', 'hello'], [$message->address, $message->arguments[0]->value]);
    }

    public function testWhatIsNotEnabledCannotBeMoved(): void
    {
        $evening = self::with(
            ['kind' => 'fader', 'points' => [['point' => 'fixture:a/level']]],
            ['values' => [['id' => 'open', 'name' => 'House open', 'type' => 'switch', 'start' => false]]],
            more: ['enabled' => 'value:open', 'longPress' => 'value:open'],
        );
        self::assertSame('it can be moved only while House open is on', $evening->set('surface:guide/one', 50));
        self::assertSame('it can be moved only while House open is on', $evening->press('surface:guide/one/long'));
        $evening->set('value:open', 1);
        self::assertSame('', $evening->set('surface:guide/one', 50));
        $evening->press('surface:guide/one/long');
        self::assertSame(0, $evening->read('value:open'), 'a long press has its own point');
    }

    public function testAControlOfAnyKindIsSoundBeforeItIsBoundToAnything(): void
    {
        $needed = ['slots' => ['universe' => 'palm'], 'tempo' => ['tempo' => 'main']];
        foreach (ControlKinds::ALL as $class) {
            $evening = self::with(
                ['kind' => $class::kind(), ...$needed[$class::kind()] ?? []],
                ['tempos' => [['id' => 'main', 'name' => 'Main']]],
            );
            self::assertIsString(self::shown($evening)[0], $class);
            $evening->set('surface:guide/one', 1);
            $evening->press('surface:guide/one');
        }
        self::assertCount(15, ControlKinds::ALL);
    }

    public function testNamesTravel(): void
    {
        $look = static fn(string $name): array => ['looks' => [[
            'id' => 'doors',
            'name' => $name,
            'values' => Evening::values(['fixture:a/level' => 100]),
        ]]];
        $evening = self::with(
            ['kind' => 'button', 'points' => [['point' => 'look:doors']]],
            $look('Doors'),
            more: ['text' => 'Open {name}: {value}'],
        );
        self::assertSame('Open Doors:', $evening->read('surface:guide/one/name'));
        $evening->rig->adopt([...$evening->rig->document, ...$look('Gates')]);
        self::assertSame('Open Gates:', $evening->read('surface:guide/one/name'));
        $control = $evening->rig->junction->plan()->surfaces->surfaces['guide']->controls['one'];
        self::assertSame('Gates', $evening->rig->junction->controls->othersName($control));
    }

    public function testALabelSaysWhatIsNextInAList(): void
    {
        $list = [
            'id' => 'walk',
            'name' => 'Walk',
            'cues' => [['number' => '1', 'name' => 'Doors'], ['number' => '2.5', 'name' => 'Ferns']],
        ];
        $evening = self::with(['kind' => 'label', 'point' => 'list:walk/next'], ['lists' => [$list]]);
        self::assertSame('1 Doors', self::shown($evening)[0]);
        $evening->press('list:walk/go');
        self::assertSame('2.5 Ferns', self::shown($evening)[0]);
        self::assertSame('1 Doors', $evening->read('list:walk/now'));
    }

    public function testAColourIsMadeAsEachFixtureMakesIt(): void
    {
        $light = static fn(string $name, string $role): array => ['name' => $name, 'kind' => 'colour', 'role' => $role];
        $profiles = [
            ['id' => 'rgbw', 'name' => 'RGBW', 'parameters' => [$light('red', 'red'), $light('green', 'green'), $light('blue', 'blue'), $light('white', 'white')]],
            ['id' => 'cmy', 'name' => 'CMY', 'parameters' => [$light('cyan', 'cyan'), $light('magenta', 'magenta'), $light('yellow', 'yellow')]],
        ];
        $fixtures = [
            ['id' => 'w', 'name' => 'W', 'profile' => 'rgbw', 'universe' => 'palm', 'first' => 1],
            ['id' => 'f', 'name' => 'F', 'profile' => 'cmy', 'universe' => 'palm', 'first' => 5],
        ];
        $evening = self::with(
            ['kind' => 'colour', 'fixtures' => ['w'], 'groups' => ['filters']],
            ['profiles' => $profiles, 'fixtures' => $fixtures, 'groups' => [['id' => 'filters', 'name' => 'Filters', 'members' => ['f']]]],
        );
        self::assertSame('', $evening->set('surface:guide/one', '#ff8040'));
        self::assertSame(
            [255 - 64, 128 - 64, 0, 64, 0, 127, 191],
            \array_slice($evening->levels(), 0, 7),
            'white is taken out of all three; filters take away',
        );
        self::assertSame('#ff8040', $evening->read('surface:guide/one'));
        self::assertSame('a colour is written as # and six hexadecimal digits', $evening->set('surface:guide/one', 'red'));
        $evening->rig->adopt([...$evening->rig->document, 'name' => 'Edited']);
        self::assertSame(191, $evening->levels()[0], 'an edit leaves it');
    }

    public function testAPictureOfSlotsShowsWhatLeavesAndGivesNothing(): void
    {
        $evening = self::with(['kind' => 'slots', 'universe' => 'palm', 'first' => 2, 'count' => 3]);
        $evening->rig->artNet([2 => 255, 3 => 51, 4 => 0]);
        $control = $evening->rig->junction->plan()->surfaces->surfaces['guide']->controls['one'];
        self::assertSame([1.0, 0.2, 0.0], $evening->rig->junction->controls->shown('guide', $control)?->at);
        self::assertSame([], $evening->rig->junction->plan()->surfaces->routes);
    }

    /**
     * @param array<string, mixed> $does
     * @param array<string, mixed> $changes to the show
     * @param array<string, mixed> $second
     * @param array<string, mixed> $third
     * @param list<array<string, mixed>> $do of the first
     * @param array<string, mixed> $more of the first
     */
    public static function with(
        array $does,
        array $changes = [],
        array $second = [],
        array $third = [],
        array $do = [],
        array $more = [],
    ): Evening {
        $controls = [];
        foreach (['one' => $does, 'two' => $second, 'three' => $third] as $id => $one) {
            $controls[] = [
                'id' => $id,
                'name' => ucfirst($id),
                'column' => \count($controls) + 1,
                'does' => $one,
                ...($id === 'one' ? ['do' => $do, ...$more] : []),
            ];
        }
        $controls = array_values(array_filter($controls, static fn(array $one): bool => $one['does'] !== []));
        $ports = [...Rig::document()['ports']];

        return new Evening([
            'ports' => $ports,
            ...$changes,
            'surfaces' => [['id' => 'guide', 'name' => 'Guide', 'pages' => [['id' => 'p', 'name' => 'Page', 'controls' => $controls]]]],
        ]);
    }

    /** @return array{string, bool} */
    private static function shown(Evening $evening): array
    {
        $control = $evening->rig->junction->plan()->surfaces->surfaces['guide']->controls['one'];
        $shown = $evening->rig->junction->controls->shown('guide', $control);

        return [$shown?->text ?? '', $shown?->isOn ?? false];
    }
}
