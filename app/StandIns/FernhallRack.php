<?php

declare(strict_types=1);

namespace App\StandIns;

use Database\Seeders\FernhallGlasshouse;
use NimbleJunction\StandIn\GuestDesk;
use NimbleJunction\StandIn\HouseDesk;
use NimbleJunction\StandIn\Lamps;
use NimbleJunction\StandIn\Rack;
use NimbleJunction\StandIn\Tablet;

/** The devices of the demo show, each at a loopback address of its own. */
final class FernhallRack
{
    public static function build(string $loopback): Rack
    {
        return new Rack(
            new HouseDesk('house-desk', 'House desk', "{$loopback}.11", "{$loopback}.1", [1, 2]),
            new GuestDesk('guest-desk', 'Guest desk', "{$loopback}.12", "{$loopback}.1", 1),
            new Lamps('palm-dimmers', 'Palm House dimmers', "{$loopback}.13", FernhallGlasshouse::LINE_PORT, null),
            new Lamps('balcony-node', 'Balcony node', "{$loopback}.14", 5568, 7),
            new Tablet('guides-tablet', "Guide's tablet", "{$loopback}.15", FernhallGlasshouse::TABLET_OSC_PORT, "{$loopback}.1:".FernhallGlasshouse::OUR_OSC_PORT, FernhallGlasshouse::FADER),
        );
    }
}
