<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Patch\Mix;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A colour as different fixtures make it: common practice, no source. */
final class MixTest extends TestCase
{
    /** @return iterable<string, array{list<array<string, mixed>>, string, array<string, int>}> parameters, colour, values */
    public static function mixes(): iterable
    {
        $roles = static fn(string ...$roles): array => array_map(
            static fn(string $role): array => ['name' => $role, 'role' => $role],
            $roles,
        );
        yield 'red, green and blue' => [$roles('red', 'green', 'blue'), '#ff8000', ['red' => 255, 'green' => 128, 'blue' => 0]];
        yield 'white is taken out' => [
            $roles('red', 'green', 'blue', 'white'),
            '#ff8040',
            ['red' => 191, 'green' => 64, 'blue' => 0, 'white' => 64],
        ];
        yield 'other lights stay out' => [
            $roles('red', 'green', 'blue', 'amber'),
            '#ffffff',
            ['red' => 255, 'green' => 255, 'blue' => 255, 'amber' => 0],
        ];
        yield 'filters take away' => [
            $roles('cyan', 'magenta', 'yellow'),
            '#ff8000',
            ['cyan' => 0, 'magenta' => 127, 'yellow' => 255],
        ];
        yield 'a wheel has what comes nearest' => [[['name' => 'wheel', 'role' => 'colour-wheel', 'ranges' => [
            ['name' => 'open', 'first' => 0, 'last' => 9, 'colour' => '#ffffff'],
            ['name' => 'amber', 'first' => 10, 'last' => 19, 'colour' => '#ffb000'],
            ['name' => 'turning', 'first' => 20, 'last' => 255],
        ]]], '#ff9000', ['wheel' => 14]];
        yield 'a level is no colour' => [$roles('dimmer'), '#ffffff', []];
        yield 'what is never driven is left alone' => [
            [['name' => 'red', 'role' => 'red', 'neverDriven' => true]],
            '#ffffff',
            [],
        ];
    }

    /**
     * @param list<array<string, mixed>> $parameters
     * @param array<string, int> $values
     */
    #[DataProvider('mixes')]
    public function testAColour(array $parameters, string $colour, array $values): void
    {
        self::assertSame($values, Mix::of($colour)->values(self::footprint(['parameters' => $parameters])));
    }

    public function testEveryCellHasItAndItsOwnWhite(): void
    {
        $rgb = [['name' => 'red', 'role' => 'red'], ['name' => 'green', 'role' => 'green'], ['name' => 'blue', 'role' => 'blue']];
        $values = Mix::of('#808080')->values(self::footprint([
            'parameters' => [...$rgb, ['name' => 'white', 'role' => 'white']],
            'cells' => [['id' => 'cell', 'name' => 'Cell', 'count' => 2, 'parameters' => $rgb]],
        ]));
        self::assertSame([0, 128, 128, 128], [$values['red'], $values['white'], $values['cell-1/red'], $values['cell-2/blue']]);
    }

    /** @param array<string, mixed> $profile */
    private static function footprint(array $profile): \NimbleJunction\Core\Patch\Footprint
    {
        return ShowReader::fromArray([
            ...Rig::document(),
            'profiles' => [['id' => 'p', 'name' => 'P', ...$profile]],
        ])->profiles['p']->mode('')->footprint;
    }
}
