<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

/** What a control shows at a moment. */
final readonly class Shown
{
    /**
     * @param list<float|null> $at how far along its way each axis is, 0 to 1; null where that cannot be said
     * @param string $text its value in words; '' for none
     * @param bool $isOn whether it is lit
     */
    public function __construct(public array $at = [], public string $text = '', public bool $isOn = false)
    {
    }
}
