<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\DmxLine;

/**
 * What a refresh carries. Only the null start code carries levels (ANSI E1.11, annex D and the register of start
 * codes, from memory).
 */
final class StartCode
{
    public const NULL = 0x00;
    public const TEXT = 0x17;
    public const TEST = 0x55;
    public const UTF8 = 0x90;
    public const RDM = 0xCC;
    public const SYSTEM_INFORMATION = 0xCF;
    public const PER_SLOT_PRIORITY = 0xDD;

    public static function name(int $code): string
    {
        return match ($code) {
            self::NULL => 'levels',
            self::TEXT => 'text packet',
            self::TEST => 'test packet',
            self::UTF8 => 'UTF-8 text packet',
            self::RDM => 'RDM',
            self::SYSTEM_INFORMATION => 'system information packet',
            self::PER_SLOT_PRIORITY => 'per-slot priority (common use)',
            default => \sprintf('alternate start code 0x%02X', $code),
        };
    }
}
