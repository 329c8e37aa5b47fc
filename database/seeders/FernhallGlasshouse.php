<?php

declare(strict_types=1);

namespace Database\Seeders;

/** The demo's invented show: Fernhall Glasshouse, Night Walk, a botanical garden after dark. */
final class FernhallGlasshouse
{
    public const FADER = '/palm/lantern';
    public const LINE_PORT = 5120;
    public const OUR_OSC_PORT = 8000;
    public const TABLET_OSC_PORT = 9000;

    /**
     * @param string $loopback first three numbers of the loopback addresses in use
     *
     * @return array<string, mixed> a show document
     */
    public static function document(string $loopback): array
    {
        $we = "{$loopback}.1";

        return [
            'format' => 'nimble-junction/show',
            'version' => 1,
            'name' => 'Fernhall Glasshouse, Night Walk',
            'universes' => [
                ['id' => 'palm-house', 'name' => 'Palm House', 'merge' => 'htp'],
                ['id' => 'fern-gallery', 'name' => 'Fern Gallery', 'merge' => 'ltp'],
            ],
            'ports' => [
                ['id' => 'house-desk', 'name' => 'House desk', 'protocol' => 'art-net', 'receive' => [
                    'address' => $we, 'port' => 6454, 'priority' => 100,
                    'feeds' => [['number' => 1, 'universe' => 'palm-house'], ['number' => 2, 'universe' => 'fern-gallery']],
                ]],
                ['id' => 'guest-desk', 'name' => 'Guest desk', 'protocol' => 'sacn', 'receive' => [
                    'address' => $we, 'port' => 5568, 'feeds' => [['number' => 1, 'universe' => 'palm-house']],
                ]],
                ['id' => 'guides-tablet', 'name' => "Guide's tablet", 'protocol' => 'osc',
                    'receive' => ['address' => $we, 'port' => self::OUR_OSC_PORT],
                    'send' => ['address' => $we, 'to' => ["{$loopback}.15"], 'port' => self::TABLET_OSC_PORT]],
                ['id' => 'palm-dimmers', 'name' => 'Palm House dimmers', 'protocol' => 'dmx-line', 'send' => [
                    'address' => $we, 'to' => ["{$loopback}.13"], 'port' => self::LINE_PORT, 'carries' => [['number' => 1, 'universe' => 'palm-house']],
                ]],
                ['id' => 'balcony-node', 'name' => 'Balcony node', 'protocol' => 'sacn', 'send' => [
                    'address' => $we, 'to' => ["{$loopback}.14"], 'port' => 5568, 'priority' => 100, 'sourceName' => 'Fernhall junction',
                    'carries' => [['number' => 7, 'universe' => 'palm-house'], ['number' => 8, 'universe' => 'fern-gallery']],
                ]],
            ],
            'routes' => [
                ['id' => 'lantern-from-tablet', 'name' => "Guide's fader to the lantern",
                    'from' => ['kind' => 'message', 'port' => 'guides-tablet', 'address' => self::FADER, 'argument' => 1, 'low' => 0, 'high' => 1],
                    'to' => ['kind' => 'slot', 'universe' => 'palm-house', 'slot' => 5, 'low' => 0, 'high' => 255]],
                ['id' => 'lantern-to-tablet', 'name' => "Lantern back to the guide's fader",
                    'from' => ['kind' => 'slot', 'universe' => 'palm-house', 'slot' => 5, 'low' => 0, 'high' => 255],
                    'to' => ['kind' => 'message', 'port' => 'guides-tablet', 'address' => self::FADER, 'type' => 'float', 'low' => 0, 'high' => 1]],
            ],
        ];
    }
}
