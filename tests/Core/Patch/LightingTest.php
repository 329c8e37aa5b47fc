<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Patch\Lighting;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** "Light it": seen from what its profile says, and back exactly as it was. */
final class LightingTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, int>}> profile of the library, and what is held; common practice, no source */
    public static function profiles(): iterable
    {
        yield 'a dimmer' => ['dimmer', ['level' => 255]];
        yield 'colours alone' => ['rgbw', ['red' => 255, 'green' => 255, 'blue' => 255, 'white' => 255, 'intensity' => 65535]];
        yield 'a moving head: centred, open, full, white, its zoom as usual, no reset' => ['moving-head-16', [
            'pan' => 32768, 'tilt' => 32768, 'shutter' => 193, 'level' => 255, 'red' => 255, 'green' => 255, 'blue' => 255, 'zoom' => 128,
        ]];
        yield 'a strobe: full, and no flashes' => ['strobe', ['level' => 255, 'rate' => 8]];
        yield 'haze has nothing to light' => ['haze', []];
    }

    /** @param array<string, int> $values */
    #[DataProvider('profiles')]
    public function testWhatIsHeld(string $profile, array $values): void
    {
        $show = ShowReader::fromArray([...Rig::document(), 'profiles' => Library::all()]);
        self::assertSame($values, Lighting::values($show->profiles[$profile]->mode('')->footprint));
    }

    public function testFiltersAreTakenOutAndAnInvertedPanIsCentredToo(): void
    {
        $show = ShowReader::fromArray([...Rig::document(), 'profiles' => [['id' => 'spot', 'name' => 'Spot', 'parameters' => [
            ['name' => 'cyan', 'role' => 'cyan'],
            ['name' => 'pan', 'role' => 'pan', 'inverted' => true, 'from' => 1],
            [
                'name' => 'wheel',
                'role' => 'colour-wheel',
                'ranges' => [['name' => 'red', 'first' => 0, 'last' => 9], ['name' => 'Open', 'first' => 10, 'last' => 19]],
            ],
            ['name' => 'shutter', 'role' => 'shutter'],
        ]]]]);
        self::assertSame(
            ['cyan' => 0, 'pan' => 128, 'wheel' => 14, 'shutter' => 255],
            Lighting::values($show->profiles['spot']->mode('')->footprint),
        );
    }

    public function testItIsLitAndExactlyAsBeforeAfterwards(): void
    {
        $rig = self::rig();
        $rig->artNet(array_combine(range(11, 21), range(101, 111)));
        $rig->junction->hold('palm', [new Hold(15, 77, 'somebody', $rig->nanos() + 600_000_000_000)], $rig->nanos());
        $before = $rig->junction->universes()['palm']->levels;
        self::set($rig, 1);
        self::assertSame([0x80, 0x00, 0x80, 0x00, 193, 255, 255], $rig->levelsOf(11, 12, 13, 14, 15, 16, 17));
        self::set($rig, 1);
        self::assertSame(1, $rig->junction->points()->read(self::light()));
        self::set($rig, 0);
        self::assertSame($before, $rig->junction->universes()['palm']->levels, 'what was held before is held again');
        self::assertStringContainsString('Held by hand at 77 by somebody', $rig->junction->universes()['palm']->explain(15));
        self::assertSame(0, $rig->junction->points()->read(self::light()));
        $rig->junction->press(self::light(), new Act('person a', 'a'), $rig->nanos());
        self::assertSame(255, $rig->level(16), 'a press turns it over');
        $rig->pass(301.0);
        self::assertSame(0, $rig->junction->points()->read(self::light()), 'it ends as a hold does');
    }

    public function testItIsLitAfterARestartAndWhatWasHeldIsKept(): void
    {
        $rig = self::rig();
        $rig->junction->hold('palm', [new Hold(15, 77, 'somebody', $rig->nanos() + 600_000_000_000)], $rig->nanos());
        self::set($rig, 1);
        $state = json_decode((string) json_encode($rig->junction->rooms()->state($rig->nanos())), true);
        $again = self::rig();
        self::assertIsArray($state);
        $again->junction->restore($state, $again->nanos());
        self::assertSame([193, 255], $again->levelsOf(15, 16));
        self::set($again, 0);
        self::assertSame([77, 0], $again->levelsOf(16, 17));
    }

    public function testWhatSaysNothingCannotBeLit(): void
    {
        $rig = new Rig([
            'profiles' => [['id' => 'spot', 'name' => 'Spot', 'parameters' => [['name' => 'what']]]],
            'fixtures' => [['id' => 'left', 'name' => 'Left', 'profile' => 'spot', 'universe' => 'palm', 'first' => 11]],
        ]);
        self::assertStringContainsString('give a parameter the role dimmer', self::set($rig, 1));
    }

    private static function rig(): Rig
    {
        return new Rig([
            'profiles' => [Library::all()[7]],
            'fixtures' => [[
                'id' => 'left',
                'name' => 'Left',
                'profile' => 'moving-head-16',
                'universe' => 'palm',
                'first' => 11,
            ]],
        ]);
    }

    private static function light(): Reference
    {
        return Reference::parse('light:left') ?? throw new \LogicException('it is one');
    }

    private static function set(Rig $rig, int $value): string
    {
        return $rig->junction->set(self::light(), $value, new Act('person a', 'a'), $rig->nanos())[0];
    }
}
