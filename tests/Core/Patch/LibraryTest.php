<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Patching\Followers;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Profiles to begin with, and what follows a fixture that is cloned. */
final class LibraryTest extends TestCase
{
    public function testEveryProfileOfTheLibraryIsSound(): void
    {
        $show = ShowReader::fromArray([...Rig::document(), 'profiles' => Library::all()]);
        // Slots worked out by hand: 60 × 3 = 180; 1 + 12 × 3 = 37; 2 + 2 + 1 + 1 + 3 + 1 + 1 = 11.
        $slots = [
            'dimmer' => 1,
            'rgb' => 3,
            'rgbw' => 4,
            'rgba' => 4,
            'tunable-white' => 2,
            'moving-head' => 9,
            'moving-head-16' => 11,
            'pixel-strip' => 180,
            'rgb-bar' => 37,
            'relay' => 4,
            'raw' => 512,
        ];
        foreach ($slots as $id => $count) {
            self::assertSame($count, $show->profiles[$id]->mode('')->footprint->slots, $id);
        }
        self::assertTrue($show->profiles['camera']->mode('')->footprint->find('reset')?->parameter->neverDriven);
    }

    public function testWhatDrivesAFixtureDrivesItsClone(): void
    {
        $route = ['id' => 'go', 'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/go'], 'do' => [
            ['kind' => 'set', 'point' => 'fixture:left/level'],
            ['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/left']],
            [
                'kind' => 'choose',
                'options' => [[
                    'kind' => 'within',
                    'low' => 0,
                    'high' => 1,
                    'do' => [['kind' => 'set', 'point' => 'fixture:left/pan']],
                ]],
            ],
            ['kind' => 'set', 'point' => 'fixture:left-hand/level'],
        ]];
        $followers = new Followers('left', 'right');
        $driven = $followers->driven($route);
        self::assertSame([
            ['kind' => 'set', 'point' => 'fixture:left/level'],
            ['kind' => 'set', 'point' => 'fixture:right/level'],
            ['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => '/left']],
            [
                'kind' => 'choose',
                'options' => [[
                    'kind' => 'within',
                    'low' => 0,
                    'high' => 1,
                    'do' => [['kind' => 'set', 'point' => 'fixture:left/pan'], ['kind' => 'set', 'point' => 'fixture:right/pan']],
                ]],
            ],
            ['kind' => 'set', 'point' => 'fixture:left-hand/level'],
        ], $driven['do'], 'a message is sent once, and a longer name is another fixture');
        self::assertNull($followers->waiting($route));
        $waiting = $followers->waiting([
            'id' => 'w',
            'when' => [['kind' => 'point', 'point' => 'fixture:left/level']],
            'do' => [['kind' => 'set', 'point' => 'fixture:left/pan']],
        ]);
        self::assertSame(
            [
                'when' => [['kind' => 'point', 'point' => 'fixture:right/level']],
                'do' => [['kind' => 'set', 'point' => 'fixture:right/pan']],
            ],
            $waiting,
        );
    }
}
