<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** So many bytes have come in at a port. */
final readonly class BytesHeard implements Fact
{
    public function __construct(private string $portId, private int $length, private string $from)
    {
    }

    public function words(Names $names): string
    {
        return "{$names->port($this->portId)} heard {$this->length} bytes from {$this->from}";
    }
}
