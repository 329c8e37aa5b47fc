<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** The time of day. */
final readonly class ClockControl extends Showing
{
    public function __construct(public bool $seconds = true)
    {
    }

    public static function kind(): string
    {
        return 'clock';
    }

    public static function label(): string
    {
        return 'Clock';
    }

    public static function fields(): array
    {
        return [Field::flag('seconds', 'With seconds', true)];
    }

    public function others(): array
    {
        return [];
    }

    /** A page goes on by its own clock: nothing has to be told once a second. */
    public function shown(Hand $hand): Shown
    {
        return new Shown();
    }

    public function traits(): array
    {
        return ['withSeconds' => $this->seconds];
    }
}
