<?php

declare(strict_types=1);

namespace App\Exchange;

use NimbleJunction\Core\Gdtf\FixtureTypes;
use NimbleJunction\Core\Gdtf\FixtureTypeWriter;
use NimbleJunction\Core\Gdtf\NotTaken;
use NimbleJunction\Core\Gdtf\Taken;
use NimbleJunction\Core\Patch\Profile;

/** A fixture type as the archive that makers offer it in (.gdtf). */
final class FixtureTypeFile
{
    private const DESCRIPTION = 'description.xml';

    /** @throws NotTaken */
    public static function read(string $bytes): Taken
    {
        return FixtureTypes::fromXml(Archive::of($bytes)->read(self::DESCRIPTION));
    }

    public static function bytes(Profile $profile): string
    {
        return Archive::packed([self::DESCRIPTION => FixtureTypeWriter::xml($profile)]);
    }
}
