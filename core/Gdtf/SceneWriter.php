<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Words\TypedAddress;

/**
 * Writes the patch of a show as a scene (MVR). Universes have the numbers that others know them by.
 *
 * Source: DIN SPEC 15801 (from memory).
 */
final class SceneWriter
{
    /** No move, no turn: where things hang is not known here. */
    private const NOWHERE = '{1,0,0}{0,1,0}{0,0,1}{0,0,0}';

    public static function xml(Show $show): string
    {
        $xml = new \XMLWriter();
        $xml->openMemory();
        $xml->setIndent(true);
        $xml->startDocument('1.0', 'UTF-8');
        self::open($xml, 'GeneralSceneDescription', ['verMajor' => '1', 'verMinor' => '6', 'provider' => 'Nimble Junction']);
        self::open($xml, 'Scene');
        self::open($xml, 'AUXData');
        $places = array_unique(array_filter(array_map(static fn(Fixture $one): string => $one->place, $show->fixtures)));
        foreach ($places as $place) {
            self::open($xml, 'Position', ['uuid' => self::uuid("place {$place}"), 'name' => $place]);
            $xml->endElement();
        }
        $xml->endElement();
        self::open($xml, 'Layers');
        self::open($xml, 'Layer', ['name' => $show->name, 'uuid' => self::uuid("layer {$show->name}")]);
        self::open($xml, 'ChildList');
        $numbers = [];
        foreach ($show->fixtures as $fixture) {
            $number = $numbers[$fixture->universeId] ??= TypedAddress::number($fixture->universeId, $show);
            self::fixture($xml, $fixture, $show, ($number - 1) * Frame::SLOTS + $fixture->first);
        }
        for ($i = 0; $i < 5; ++$i) {
            $xml->endElement();
        }
        $xml->endDocument();

        return $xml->outputMemory();
    }

    private static function fixture(\XMLWriter $xml, Fixture $fixture, Show $show, int $address): void
    {
        $profile = $show->profiles[$fixture->profileId];
        $mode = $profile->mode($fixture->modeId)->name;
        self::open($xml, 'Fixture', ['name' => $fixture->name, 'uuid' => self::uuid("fixture {$fixture->id}")]);
        $xml->writeElement('Matrix', self::NOWHERE);
        $xml->writeElement('GDTFSpec', self::spec($profile));
        $xml->writeElement('GDTFMode', $mode === '' ? 'Standard' : $mode);
        self::open($xml, 'Addresses');
        self::open($xml, 'Address', ['break' => '0']);
        $xml->text((string) $address);
        $xml->endElement();
        $xml->endElement();
        $xml->writeElement('FixtureID', (string) ($fixture->number ?? ''));
        $xml->writeElement('UnitNumber', '0');
        if ($fixture->place !== '') {
            $xml->writeElement('Position', self::uuid("place {$fixture->place}"));
        }
        $xml->endElement();
    }

    /** The name of a profile's file in the archive. */
    public static function spec(Profile $profile): string
    {
        return "{$profile->id}.gdtf";
    }

    private static function uuid(string $name): string
    {
        $hash = md5($name);

        return implode(
            '-',
            [substr($hash, 0, 8), substr($hash, 8, 4), substr($hash, 12, 4), substr($hash, 16, 4), substr($hash, 20)],
        );
    }

    /** @param array<string, string> $attributes */
    private static function open(\XMLWriter $xml, string $name, array $attributes = []): void
    {
        $xml->startElement($name);
        foreach ($attributes as $attribute => $value) {
            $xml->writeAttribute($attribute, $value);
        }
    }
}
