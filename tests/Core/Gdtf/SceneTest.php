<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Gdtf;

use NimbleJunction\Core\Gdtf\SceneFixture;
use NimbleJunction\Core\Gdtf\SceneReader;
use NimbleJunction\Core\Gdtf\SceneWriter;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Scenes by the names of DIN SPEC 15801 (from memory). */
final class SceneTest extends TestCase
{
    public function testAPatchGoesOutAndComesInAgain(): void
    {
        $show = ShowReader::fromArray([...Rig::document(),
            'universes' => [
                ['id' => 'palm', 'name' => 'Palm House'],
                ['id' => 'fern', 'name' => 'Fern Gallery'],
                ['id' => 'lily', 'name' => 'Lily Pond'],
            ],
            'ports' => [],
            'routes' => [],
            'profiles' => [Library::all()[0], Library::all()[7]],
            'fixtures' => [
                [
                    'id' => 'a',
                    'name' => 'Lantern & "Door"',
                    'number' => 7,
                    'place' => 'Bridge',
                    'profile' => 'dimmer',
                    'universe' => 'palm',
                    'first' => 5,
                ],
                ['id' => 'b', 'name' => 'Fern SL', 'profile' => 'moving-head-16', 'universe' => 'lily', 'first' => 101],
            ],
        ]);
        $scene = SceneReader::fromXml(SceneWriter::xml($show));
        $said = array_map(
            static fn(SceneFixture $one): array => [
                $one->name,
                $one->number,
                $one->spec,
                $one->mode,
                $one->universe,
                $one->slot,
                $one->place,
            ],
            $scene->fixtures,
        );
        self::assertSame(
            [
                ['Lantern & "Door"', 7, 'dimmer.gdtf', 'Standard', 1, 5, 'Bridge'],
                ['Fern SL', null, 'moving-head-16.gdtf', 'Standard', 3, 101, ''],
            ],
            $said,
        );
        self::assertStringContainsString(
            '<Address break="0">1125</Address>',
            SceneWriter::xml($show),
            '(3 - 1) × 512 + 101 = 1125',
        );
    }

    public function testAddressesAsTheyAreWrittenAndWhatIsLeft(): void
    {
        $fixture = static fn(
            string $name,
            string $inside,
        ): string => "<Fixture name=\"{$name}\" uuid=\"u\"><GDTFSpec>x</GDTFSpec>{$inside}</Fixture>";
        $scene = self::scene($fixture('one', '<Addresses><Address break="0">3.101</Address></Addresses>')
            .$fixture('two', '<Addresses><Address break="0">1125</Address><Address break="1">7</Address></Addresses>')
            .$fixture('none', '<Addresses/>')
            .'<GroupObject name="g"><ChildList>'.$fixture(
                'inside',
                '<Addresses><Address>512</Address></Addresses>',
            ).'</ChildList></GroupObject><Truss name="t"/>');
        self::assertSame(
            [[3, 101], [3, 101], [1, 512]],
            array_map(static fn(SceneFixture $one): array => [$one->universe, $one->slot], $scene->fixtures),
        );
        self::assertSame(['"two": its further addresses', '"none", which has no DMX address', '1 × Truss'], $scene->left);
    }

    public function testWhatIsNoSceneIsRefused(): void
    {
        $this->expectExceptionMessage('describes no scene');
        SceneReader::fromXml('<html/>');
    }

    private static function scene(string $children): SceneReader
    {
        return SceneReader::fromXml(
            "<GeneralSceneDescription verMajor=\"1\" verMinor=\"6\"><Scene><Layers><Layer name=\"l\"><ChildList>{$children}</ChildList></Layer></Layers></Scene></GeneralSceneDescription>",
        );
    }
}
