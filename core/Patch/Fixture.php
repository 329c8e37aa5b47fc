<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** Something that listens to a run of slots, beginning at its address. */
final readonly class Fixture implements Part
{
    public string $profileId;
    public string $universeId;

    /** @param int $first 1 to 512 */
    public function __construct(public string $id, public string $name, string $profile, string $universe, public int $first)
    {
        $this->profileId = $profile;
        $this->universeId = $universe;
    }

    public static function label(): string
    {
        return 'Fixture';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            new Id('profile', 'Profile', 'profile', true),
            Field::universe(),
            Field::whole('first', 'Address, 1 to 512', 1, Frame::SLOTS),
        ];
    }
}
