<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

/** One packet of a capture file, whatever it is: when, on what kind of link, its bytes and where they stand in the file. */
final readonly class Frame
{
    public const NULL_LOOPBACK = 0;
    public const ETHERNET = 1;
    public const RAW = 101;
    public const LOOPBACK = 108;
    public const LINUX_COOKED = 113;
    public const RAW_IPV4 = 228;
    public const LINUX_COOKED_2 = 276;

    /** LINKTYPE_USER0: "reserved for private use". */
    public const PRIVATE_USE = 147;

    /**
     * @param int $at nanoseconds since 1970
     * @param int $linkType number of the registry of link types
     * @param int $offset of the first byte in the file
     * @param bool $whole whether all of it was recorded
     */
    public function __construct(
        public int $at,
        public int $linkType,
        public string $bytes,
        public int $offset,
        public bool $whole = true,
    ) {
    }
}
