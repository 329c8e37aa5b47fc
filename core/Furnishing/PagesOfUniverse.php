<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Show\Show;

/** A fader for each of the 512 slots of a universe, 64 a page. */
final readonly class PagesOfUniverse implements Template
{
    public function __construct(public string $universe)
    {
    }

    public static function kind(): string
    {
        return 'universe';
    }

    public static function label(): string
    {
        return 'A fader for each slot of a universe';
    }

    public static function fields(): array
    {
        return [new Id('universe', 'Universe', 'universe', true)];
    }

    public function pages(Show $show): array
    {
        $universe = $show->universes[$this->universe] ?? null;
        if ($universe === null) {
            return [];
        }
        $laying = new Laying($universe->name, 16, 12);
        for ($slot = 1; $slot <= Patch::SLOTS; ++$slot) {
            $laying->add(
                "slot-{$slot}",
                (string) $slot,
                1,
                3,
                ['kind' => 'fader', 'points' => [['point' => "slot:{$this->universe}/{$slot}"]]],
                ['size' => 'small'],
            );
        }

        return $laying->pages();
    }
}
