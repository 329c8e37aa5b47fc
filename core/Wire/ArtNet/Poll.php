<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * OpPoll, 0x2000: "who is there?"
 *
 *   12 Flags          bit 1: reply again when something changes; bit 5: targeted
 *   13 DiagPriority
 *   14 TargetTop      port-addresses, when bit 5 of Flags is set; high byte first
 *   16 TargetBottom
 *   18 EstaMan, Oem   who asks
 *
 * Older senders stop after byte 13, or after 17; all three lengths are accepted.
 *
 * Source: Art-Net 4 protocol document, "ArtPoll" (from memory).
 */
final readonly class Poll
{
    public const REPLY_ON_CHANGE = 0x02;
    public const DIAGNOSTICS = 0x04;
    public const DIAGNOSTICS_UNICAST = 0x08;
    public const TARGETED = 0x20;

    public function __construct(
        public int $flags = 0,
        public int $diagnosticsPriority = 0,
        public int $targetTop = 0,
        public int $targetBottom = 0,
        public int $esta = 0,
        public int $oem = 0,
    ) {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);

        return new self(
            $values->int('Flags'),
            $values->int('DiagPriority'),
            $values->int('TargetPortAddressTop'),
            $values->int('TargetPortAddressBottom'),
            $values->int('EstaMan'),
            $values->int('Oem'),
        );
    }

    public function encode(): string
    {
        return self::layout()->write([
            'Flags' => $this->flags, 'DiagPriority' => $this->diagnosticsPriority, 'TargetPortAddressTop' => $this->targetTop,
            'TargetPortAddressBottom' => $this->targetBottom, 'EstaMan' => $this->esta, 'Oem' => $this->oem,
        ]);
    }

    public function isTargeted(): bool
    {
        return ($this->flags & self::TARGETED) !== 0;
    }

    /** Whether a node with this port-address is asked. */
    public function asks(int $portAddress): bool
    {
        return ! $this->isTargeted() || ($portAddress >= $this->targetBottom && $portAddress <= $this->targetTop);
    }

    public static function layout(): Layout
    {
        return Header::layout(
            'ArtPoll',
            OpCode::Poll,
            14,
            Field::number('Flags', 1),
            Field::number('DiagPriority', 1),
            Field::number('TargetPortAddressTop', 2),
            Field::number('TargetPortAddressBottom', 2),
            Field::number('EstaMan', 2),
            Field::number('Oem', 2),
        );
    }
}
