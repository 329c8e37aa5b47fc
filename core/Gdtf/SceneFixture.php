<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

/** A fixture of a scene. */
final readonly class SceneFixture
{
    /**
     * @param string $spec name of the fixture type's file
     * @param string $mode name of its mode
     * @param int $universe counted from 1
     * @param int $slot 1 to 512
     * @param string $place '' where none is named
     */
    public function __construct(
        public string $name,
        public ?int $number,
        public string $spec,
        public string $mode,
        public int $universe,
        public int $slot,
        public string $place,
    ) {
    }
}
