<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A control of a surface, as a page draws it. */
final readonly class SurfaceControl extends Said
{
    /**
     * @param string $text what stands on it; {value} is its value
     * @param string $icon '' for none
     * @param string $colour when it is on, "#rrggbb"; '' for that of the surface
     * @param string $ground when it is off
     * @param string $inkOn of its text when it is on; '' for that of the surface
     * @param string $inkOff of its text when it is off
     * @param array<string, mixed> $traits what its kind has besides
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $name,
        public string $text,
        public string $size,
        public string $icon,
        public int $column,
        public int $row,
        public int $width,
        public int $height,
        public string $colour,
        public string $ground,
        public string $inkOn,
        public string $inkOff,
        public bool $showsValue,
        public bool $hasLong,
        #[MapOf('mixed')]
        public array $traits,
    ) {
    }
}
