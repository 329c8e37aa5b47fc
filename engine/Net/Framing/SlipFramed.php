<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net\Framing;

use NimbleJunction\Core\Wire\Osc\SlipFraming;

final readonly class SlipFramed implements Framing
{
    private SlipFraming $framing;

    public function __construct()
    {
        $this->framing = new SlipFraming();
    }

    public function push(string $bytes): array
    {
        return $this->framing->push($bytes);
    }

    public function wrap(string $packet): string
    {
        return SlipFraming::frame($packet);
    }

    public function recovers(): bool
    {
        return true;
    }
}
