<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

/** A capture in the newer format, as a whole. */
final class PcapngWriter
{
    private readonly PcapngStream $stream;
    private string $bytes;

    public function __construct()
    {
        $this->stream = new PcapngStream();
        $this->bytes = PcapngStream::begin();
    }

    /**
     * @param string $interface what the interface is called; it is described when it is first named
     * @param int $linkType number of the registry of link types
     * @param int $at nanoseconds since 1970
     */
    public function add(string $interface, int $linkType, int $at, string $bytes, string $comment = ''): void
    {
        $this->bytes .= $this->stream->packet($interface, $linkType, $at, $bytes, $comment);
    }

    public function bytes(): string
    {
        return $this->bytes;
    }
}
