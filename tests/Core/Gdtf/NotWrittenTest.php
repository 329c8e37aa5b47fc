<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Gdtf;

use NimbleJunction\Core\Gdtf\NotWritten;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a fixture type cannot say is said, parameter by parameter. */
final class NotWrittenTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function parameters(): iterable
    {
        yield 'all of it' => [['name' => 'pan', 'role' => 'pan', 'slots' => 2, 'unit' => '°', 'physical' => [-270, 270], 'default' => 32768], []];
        yield 'turned round' => [['name' => 'pan', 'role' => 'pan', 'unit' => '°', 'physical' => [-270, 270], 'inverted' => true], []];
        yield 'a safe value' => [['name' => 'shutter', 'role' => 'shutter', 'safe' => 255], ['shutter: its safe value']];
        yield 'its own from and to beside ranges' => [
            ['name' => 'rate', 'role' => 'strobe', 'from' => 1, 'ranges' => [['name' => 'off', 'first' => 0], ['name' => 'on', 'first' => 1, 'last' => 255]]],
            ['rate: what its first and its last value are'],
        ];
        yield 'what points call it, how it merges, and that it is never driven' => [
            ['name' => 'Fan motor', 'id' => 'fan', 'role' => 'fan', 'kind' => 'control', 'precedence' => 'htp', 'neverDriven' => true],
            ['Fan motor: what points call it, how it merges, that it is never driven'],
        ];
    }

    /**
     * @param array<string, mixed> $parameter
     * @param list<string> $lines
     */
    #[DataProvider('parameters')]
    public function testWhatIsLeftOut(array $parameter, array $lines): void
    {
        self::assertSame($lines, NotWritten::of(self::profile(['id' => 'one', 'name' => 'One', 'parameters' => [$parameter]])));
    }

    public function testOfCellsOnceAndOfModesEach(): void
    {
        $cell = ['name' => 'red', 'role' => 'red', 'precedence' => 'htp'];
        $cells = [['id' => 'cell', 'name' => 'Cell', 'count' => 12, 'parameters' => [$cell]]];
        self::assertSame(['Cell 1 red: how it merges'], NotWritten::of(self::profile(['id' => 'one', 'name' => 'One', 'cells' => $cells])));
        $modes = [
            ['id' => 'a', 'name' => 'Basic', 'parameters' => [['name' => 'level', 'role' => 'dimmer']]],
            ['id' => 'b', 'name' => 'Bar', 'cells' => $cells],
        ];
        self::assertSame(
            ['Bar, Cell 1 red: how it merges'],
            NotWritten::of(self::profile(['id' => 'one', 'name' => 'One', 'modes' => $modes])),
        );
    }

    public function testOfTheLibraryLittleIsLost(): void
    {
        $whole = [];
        foreach (Library::all() as $profile) {
            $whole[$profile['id']] = NotWritten::of(self::profile($profile)) === [];
        }
        self::assertTrue($whole['rgbw'] && $whole['rgb-bar'] && $whole['pixel-strip'] && $whole['camera'] && $whole['laser']);
        self::assertFalse($whole['fader-bank']);
    }

    /** @param array<string, mixed> $profile */
    private static function profile(array $profile): Profile
    {
        return array_values(ShowReader::fromArray([...Rig::document(), 'profiles' => [$profile]])->profiles)[0];
    }
}
