<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

final readonly class DmxLineSender implements FrameSender
{
    public function send(string $levels, int $sequence): string
    {
        return "\0".$levels;
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
