<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use PHPUnit\Framework\TestCase;

/** What a page asks of the engine by names of the patch: levels, colours, fans, light, what is never driven, why it is dark. */
final class PatchOrdersTest extends TestCase
{
    private const NET = '127.78.12';
    private EngineProcess $engine;
    private int $live;

    protected function setUp(): void
    {
        $document = EngineProcess::document(self::NET);
        $fixture = static fn(string $id, int $first): array => [
            'id' => $id,
            'name' => ucfirst($id),
            'profile' => 'moving-head',
            'universe' => 'palm',
            'first' => $first,
        ];
        $document['profiles'] = [Library::all()[6], Library::all()[1]];
        $document['fixtures'] = [
            $fixture('left', 101),
            $fixture('middle', 111),
            $fixture('right', 121),
            ['id' => 'par', 'name' => 'Par', 'profile' => 'rgb', 'universe' => 'palm', 'first' => 201],
        ];
        $document['pixels'] = [[
            'id' => 'strip',
            'name' => 'Strip',
            'layout' => ['kind' => 'line', 'count' => 3],
            'order' => 'grb',
            'universes' => ['palm'],
            'first' => 301,
        ]];
        $document['groups'] = [['id' => 'all', 'name' => 'All', 'members' => ['left', 'middle', 'right']]];
        $this->live = Background::freePort();
        $this->engine = new EngineProcess($document, ['--for=170', "--live=127.0.0.1:{$this->live}"]);
    }

    protected function tearDown(): void
    {
        $this->engine->stop();
    }

    /** Pan of the library's moving head goes from -270° to 270°: -270 is 0, 0 the middle, 270 is 255. */
    public function testAFanAGroupAndAColour(): void
    {
        $fan = ['do' => 'fan', 'fixtures' => ['left', 'middle', 'right'], 'parameter' => 'pan', 'from' => -270, 'to' => 270];
        $held = $this->held([
            $fan,
            ['do' => 'set', 'point' => 'group:all/level', 'value' => 100],
            ['do' => 'colour', 'fixtures' => ['right'], 'colour' => '#ff8000'],
        ]);
        self::assertSame([0, 128, 255], [$held[101], $held[111], $held[121]]);
        self::assertSame([255, 255, 255], [$held[104], $held[114], $held[124]]);
        self::assertSame([255, 128, 0], [$held[125], $held[126], $held[127]]);
        self::assertCount(9, $held);
        self::assertSame(255, $this->held([[...$fan, 'fan' => 'from-middle']])[101]);
    }

    public function testWhatIsNeverDrivenIsReachedWhenItIsUnlocked(): void
    {
        $reset = ['do' => 'hold-parameter', 'fixture' => 'left', 'parameter' => 'reset', 'value' => 1];
        $heard = $this->heard([
            $reset,
            ['do' => 'hold', 'universe' => 'palm', 'slot' => 109, 'level' => 255],
            ['do' => 'fan', 'fixtures' => ['left'], 'parameter' => 'reset', 'from' => 0, 'to' => 100],
            ['do' => 'fan', 'fixtures' => ['left'], 'parameter' => 'nothing', 'from' => 0, 'to' => 100],
            ['do' => 'colour', 'fixtures' => ['gone'], 'colour' => '#ffffff'],
            ['do' => 'colour', 'fixtures' => ['left'], 'colour' => 'red'],
            ['do' => 'why-dark', 'fixture' => 'gone'],
        ]);
        $errors = array_column($heard['answer'], 'error');
        foreach ([
            'Left, reset is never driven, as its profile says. Unlock it to reach it this once.',
            'Slot 109 of palm is never driven',
            'None of these fixtures has a parameter "reset" that may be driven.',
            'None of these fixtures has a parameter "nothing"',
            'There is no fixture "gone" in the show.',
            'Use a colour like #ff8800.',
            'There is no fixture "gone" in the show.',
        ] as $i => $words) {
            self::assertStringContainsString($words, $errors[$i] ?? '');
        }
        self::assertSame([109 => 255], $this->held([[...$reset, 'unlock' => true]]));
    }

    public function testAFixtureIsLitAndItIsSaidWhyItIsDark(): void
    {
        $heard = $this->heard([
            ['do' => 'why-dark', 'fixture' => 'left'],
            ['do' => 'set', 'point' => 'light:left', 'value' => 1],
            ['do' => 'why-dark', 'fixture' => 'left'],
            ['do' => 'subscribe', 'topics' => ['points:light:left', 'points:fixture:left/pan/leaves', 'points:group:all/pan/leaves', 'points:group:all/level/leaves']],
        ]);
        $reasons = array_values(array_filter(array_column($heard['answer'], 'reasons')));
        self::assertTrue($reasons[0][0]['keepsDark']);
        self::assertFalse($reasons[1][0]['keepsDark']);
        $points = array_column($heard['point'], 'value', 'point');
        self::assertSame(1, $points['light:left']);
        self::assertEqualsWithDelta(1.06, $points['fixture:left/pan/leaves'], 0.01, '128 of 255');
        self::assertEqualsWithDelta(1.06, $points['group:all/pan/leaves'], 0.01, 'the others are at their default');
        self::assertNull($points['group:all/level/leaves'], 'and dark: they differ');
    }

    public function testPixelsAtAColourOneByOneAndADot(): void
    {
        $held = $this->held([
            ['do' => 'colour', 'fixtures' => [], 'pixels' => ['strip'], 'colour' => '#ff8000'],
            ['do' => 'set', 'point' => 'pixels:strip/2/blue', 'value' => 100],
        ]);
        ksort($held);
        self::assertSame([301 => 128, 255, 0, 128, 255, 255, 128, 255, 0], $held);
        $held = $this->held([['do' => 'set', 'point' => 'dot:strip', 'value' => 2]]);
        ksort($held);
        self::assertSame([301 => 0, 0, 0, 255, 255, 255, 0, 0, 0], $held);
        $heard = $this->heard([
            ['do' => 'set', 'point' => 'dot:strip', 'value' => 4],
            ['do' => 'colour', 'fixtures' => [], 'pixels' => ['wall'], 'colour' => '#ff8000'],
        ]);
        $errors = array_column($heard['answer'], 'error');
        self::assertStringContainsString('A dot is on a pixel from 1 to 3', $errors[0]);
        self::assertStringContainsString('There is no pixel map "wall" in the show.', $errors[1]);
    }

    public function testAVirtualIntensityIsHeldByNameAndLetGoByName(): void
    {
        $order = ['do' => 'set', 'point' => 'fixture:par/intensity', 'value' => 50];
        $heard = $this->heard([
            ['do' => 'release'],
            $order,
            ['do' => 'subscribe', 'topics' => ['status', 'points:fixture:par/intensity/leaves']],
        ]);
        $holds = end($heard['status'])['holds'];
        self::assertSame(['palm:intensity', 'palm:intensity'], array_column($holds, 'universe'));
        self::assertSame([128, 0], array_column($holds, 'level'), '32,768 of 65,535');
        self::assertEqualsWithDelta(50.0, $heard['point'][0]['value'], 0.01);
        $heard = $this->heard([
            ['do' => 'release', 'fixture' => 'par', 'parameter' => 'intensity'],
            ['do' => 'release', 'fixture' => 'par', 'parameter' => 'zoom'],
            ['do' => 'subscribe', 'topics' => ['status']],
        ]);
        self::assertSame([], end($heard['status'])['holds']);
        self::assertArrayNotHasKey('palm:intensity', end($heard['status'])['universes'], 'it is no universe that a page shows');
        self::assertStringContainsString('There is no parameter "zoom"', array_column($heard['answer'], 'error')[0]);
    }

    /**
     * @param list<array<string, mixed>> $orders
     *
     * @return array<int, int> level by slot
     */
    private function held(array $orders): array
    {
        $heard = $this->heard([['do' => 'release'], ...$orders, ['do' => 'subscribe', 'topics' => ['status']]]);

        return array_column(end($heard['status'])['holds'], 'level', 'slot');
    }

    /**
     * @param list<array<string, mixed>> $orders
     *
     * @return array<string, list<array<string, mixed>>> messages by type
     */
    private function heard(array $orders): array
    {
        return (new LiveLink($this->live, Role::Operator, $orders, 1.5))->heard();
    }
}
