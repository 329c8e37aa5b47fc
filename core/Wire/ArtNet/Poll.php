<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Malformed;

/**
 * OpPoll, 0x2000: "who is there?"
 *
 *   12 Flags          bit 1: reply again when something changes
 *   13 DiagPriority
 *   14 TargetTop      port-addresses, when bit 5 of Flags is set; high byte first
 *   16 TargetBottom
 *
 * Older senders stop after byte 13; both lengths are accepted.
 */
final readonly class Poll
{
    public function __construct(
        public int $flags = 0,
        public int $diagnosticsPriority = 0,
        public int $targetTop = 0,
        public int $targetBottom = 0,
    ) {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $length = \strlen($bytes);
        if ($length < 14) {
            throw Malformed::tooShort('ArtPoll', 14, $length, 'Art-Net 4, ArtPoll');
        }
        $targeted = $length >= 18;

        return new self(
            \ord($bytes[12]),
            \ord($bytes[13]),
            $targeted ? \ord($bytes[14]) << 8 | \ord($bytes[15]) : 0,
            $targeted ? \ord($bytes[16]) << 8 | \ord($bytes[17]) : 0,
        );
    }

    public function encode(): string
    {
        return Packet::header(OpCode::Poll)
            .pack('CCnn', $this->flags, $this->diagnosticsPriority, $this->targetTop, $this->targetBottom);
    }
}
