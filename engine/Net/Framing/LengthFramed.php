<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net\Framing;

use NimbleJunction\Core\Wire\Osc\LengthFraming;

final readonly class LengthFramed implements Framing
{
    private LengthFraming $framing;

    public function __construct()
    {
        $this->framing = new LengthFraming();
    }

    public function push(string $bytes): array
    {
        return $this->framing->push($bytes);
    }

    public function wrap(string $packet): string
    {
        return LengthFraming::frame($packet);
    }

    public function recovers(): bool
    {
        return false;
    }
}
