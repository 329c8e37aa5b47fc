<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What a control shows. */
final readonly class ControlLife extends Said
{
    /**
     * @param list<float|null> $at how far along its way each axis is, 0 to 1; null where that cannot be said
     * @param string $text its value in words
     * @param bool $isOn whether it is lit
     * @param string $called what stands for {name} in its text
     * @param bool $isSeen whether it is there at all now
     * @param bool $canMove whether it can be moved now
     */
    public function __construct(
        #[ListOf('float|null')]
        public array $at,
        public string $text,
        public bool $isOn,
        public bool $isSeen,
        public bool $canMove,
        public string $called = '',
    ) {
    }
}
