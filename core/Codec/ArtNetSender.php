<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Wire\ArtNet\Dmx;

final readonly class ArtNetSender implements FrameSender
{
    private string $beginning;
    private string $addressAndLength;

    public function __construct(int $portAddress)
    {
        $sample = (new Dmx($portAddress, str_repeat("\0", 512)))->encode();
        $this->beginning = substr($sample, 0, 12);
        $this->addressAndLength = substr($sample, 13, 5);
    }

    public function send(string $levels, int $sequence): string
    {
        // 0 would say that sequence numbers are not used, so they run from 1 to 255.
        return $this->beginning.\chr($sequence % 255 + 1).$this->addressAndLength.$levels;
    }

    public function beside(int $sequence): ?string
    {
        return null;
    }

    public function end(string $levels, int $sequence): array
    {
        return [];
    }
}
