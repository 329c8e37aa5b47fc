<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Moving lamps together: turned as they hang, and kept within their limits. Values worked out by hand. */
final class AimTest extends TestCase
{
    public function testOneJoystickMovesSeveralAlike(): void
    {
        $rig = new Rig(self::show(['panInverted' => true], ['swapped' => true], ['panOffset' => 27.0, 'tiltOffset' => -13.5]));
        $rig->osc('/pan', -135);
        $rig->osc('/tilt', 67.5);
        // -135° of -270 to 270 is a quarter of the way; 67.5° of -135 to 135 is three quarters.
        self::assertSame([0.75, 0.75], self::shares($rig, 1), 'turned round');
        self::assertSame([0.75, 0.25], self::shares($rig, 5), 'exchanged');
        self::assertSame([0.3, 0.7], self::shares($rig, 9), '27° and -13.5° are a twentieth of the way each');
        self::assertSame([0.25, 0.75], self::shares($rig, 13), 'as it is');
        self::assertStringContainsString('Lamp 1 is calibrated', $rig->junction->universes()['palm']->explain(0));
    }

    public function testARectangleIsNeverLeft(): void
    {
        $rig = new Rig(self::show(['panLow' => -90, 'panHigh' => 90, 'tiltLow' => 0]));
        $rig->osc('/pan', 270);
        $rig->osc('/tilt', -135);
        self::assertSame([0.667, 0.5], self::shares($rig, 1), '90° is two thirds of the way, 0° the middle');
        $rig->artNet([1 => 0, 2 => 0, 3 => 255, 4 => 255]);
        self::assertSame([0.667, 1.0], self::shares($rig, 1), 'a desk is kept in too; the route is the later one of pan');
        $rig->junction->hold(
            'palm',
            [new Hold(0, 0, 'a', $rig->nanos() + 9_000_000_000), new Hold(1, 0, 'a', $rig->nanos() + 9_000_000_000)],
            $rig->nanos(),
        );
        self::assertSame(0.333, self::shares($rig, 1)[0], 'and a hold');
    }

    public function testTheMiddleOfNoOffsetIsExactlyTheMiddle(): void
    {
        $rig = new Rig(self::show(['panInverted' => true]));
        foreach ([0, 1, 32767, 32768, 65534, 65535] as $value) {
            $rig->artNet([13 => $value >> 8, 14 => $value & 255, 1 => $value >> 8, 2 => $value & 255]);
            self::assertSame(
                [$value, 65535 - $value],
                [$rig->level(13) << 8 | $rig->level(14), $rig->level(1) << 8 | $rig->level(2)],
                'in 16 bits nothing is lost',
            );
        }
    }

    public function testWhatCannotBeIsRefused(): void
    {
        try {
            ShowReader::fromArray([...Rig::document(), ...self::show(['panLow' => 10, 'panHigh' => 10])]);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            self::assertSame('/fixtures/0/calibration/panHigh', $refused->faults[0]->path);
        }
    }

    /** @return list<float> how far pan and tilt are on their way, from a slot on */
    private static function shares(Rig $rig, int $slot): array
    {
        return array_map(
            static fn(int $at): float => round(($rig->level($at) << 8 | $rig->level($at + 1)) / 65535, 3),
            [$slot, $slot + 2],
        );
    }

    /**
     * @param array<string, mixed> ...$calibrations of lamps, one after the other; the last lamp has none
     *
     * @return array<string, mixed>
     */
    private static function show(array ...$calibrations): array
    {
        $fixtures = [];
        foreach ([0, 1, 2, 3] as $i) {
            $calibration = $i === 3 ? [] : $calibrations[$i] ?? [];
            $fixtures[] = [
                'id' => "lamp-{$i}",
                'name' => 'Lamp '.($i + 1),
                'profile' => 'head',
                'universe' => 'palm',
                'first' => 1 + 4 * $i,
                ...($calibration === [] ? [] : ['calibration' => $calibration]),
            ];
        }
        $route = static fn(string $what): array => [
            'id' => $what,
            'name' => $what,
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => "/{$what}"],
            'do' => [['kind' => 'set', 'point' => "group:all/{$what}"]],
        ];

        return [
            'profiles' => [['id' => 'head', 'name' => 'Head', 'parameters' => [
                ['name' => 'pan', 'slots' => 2, 'role' => 'pan', 'unit' => '°', 'physical' => [-270, 270]],
                ['name' => 'tilt', 'slots' => 2, 'role' => 'tilt', 'unit' => '°', 'physical' => [-135, 135]],
            ]]],
            'fixtures' => $fixtures,
            'groups' => [['id' => 'all', 'name' => 'All', 'members' => ['lamp-0', 'lamp-1', 'lamp-2', 'lamp-3']]],
            'routes' => [$route('pan'), $route('tilt')],
        ];
    }
}
