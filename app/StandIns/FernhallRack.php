<?php

declare(strict_types=1);

namespace App\StandIns;

use Database\Seeders\FernhallGlasshouse as Show;
use NimbleJunction\StandIn\CueDesk;
use NimbleJunction\StandIn\GuestDesk;
use NimbleJunction\StandIn\HouseDesk;
use NimbleJunction\StandIn\Lamps;
use NimbleJunction\StandIn\LecternPanel;
use NimbleJunction\StandIn\Link\Cable;
use NimbleJunction\StandIn\Link\Habits;
use NimbleJunction\StandIn\Link\NetworkMidi;
use NimbleJunction\StandIn\MediaServer;
use NimbleJunction\StandIn\MistLaser;
use NimbleJunction\StandIn\PixelWall;
use NimbleJunction\StandIn\Presentation;
use NimbleJunction\StandIn\Rack;
use NimbleJunction\StandIn\SoundWorkstation;
use NimbleJunction\StandIn\Tablet;

/** The devices of the demo show, each at a loopback address of its own. */
final class FernhallRack
{
    private const SLIDES = [
        'Welcome to the Night Walk',
        'Doors',
        'How ferns drink fog',
        'The lily that opens at dusk',
        'Out through the canopy',
    ];
    private const CUES = [
        ['number' => '1', 'name' => 'House to half'],
        ['number' => '2', 'name' => 'Doors'],
        ['number' => '2.5', 'name' => 'First song'],
        ['number' => '3', 'name' => 'Fog on the pond'],
        ['number' => '4', 'name' => 'Walk out'],
    ];

    /** @param string $cables folder of the engine's virtual cables */
    public static function build(string $loopback, string $cables): Rack
    {
        $we = "{$loopback}.1";
        $soundHabits = new Habits(Habits::LOSS, Habits::JITTER);

        return new Rack(
            new HouseDesk('house-desk', 'House desk', "{$loopback}.11", $we, [1, 2]),
            new GuestDesk('guest-desk', 'Guest desk', "{$loopback}.12", $we, 1),
            new Lamps('palm-dimmers', 'Palm House dimmers', "{$loopback}.13", Show::LINE_PORT, null),
            new Lamps('balcony-node', 'Balcony node', "{$loopback}.14", 5568, 7),
            new Tablet(
                'guides-tablet',
                "Guide's tablet",
                "{$loopback}.15",
                Show::TABLET_OSC_PORT,
                $we,
                Show::OUR_OSC_PORT,
                Show::FADER,
            ),
            new MediaServer(
                'canopy-server',
                'Canopy media server',
                "{$loopback}.16",
                Show::CANOPY_PORT_ADDRESS,
                $we,
                Show::CANOPY_OSC_PORT,
                Show::CANOPY_FEEDBACK_PORT,
            ),
            new MistLaser('lily-laser', 'Lily Pond mist laser', "{$loopback}.17", Show::LASER_UNIVERSE),
            new PixelWall('pond-wall', 'Pond wall', "{$loopback}.20", Show::WALL_PORT_ADDRESS),
            new Presentation('talk-slides', 'Talk slides', new Cable("{$cables}/talk-slides.midi"), self::SLIDES),
            new SoundWorkstation(
                'sound',
                'Sound workstation',
                new NetworkMidi('Sound workstation', "{$loopback}.18", 5004, $we, habits: $soundHabits),
                $soundHabits,
            ),
            new LecternPanel('lectern', 'Lectern panel', new Cable("{$cables}/lectern.midi")),
            new CueDesk(
                'cue-desk',
                'Cue desk',
                "{$loopback}.19",
                Show::CUE_DESK_OSC_PORT,
                new Cable("{$cables}/cue-desk.midi"),
                20,
                self::CUES,
                "{$loopback}.1:".Show::CUE_DESK_ANSWER_PORT,
            ),
        );
    }
}
