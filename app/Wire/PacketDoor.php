<?php

declare(strict_types=1);

namespace App\Wire;

use NimbleJunction\Core\Wire\Formats;
use NimbleJunction\Core\Wire\Layout\Notation;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;

/** One wire format for people and scripts: hexadecimal in, fields out, and back. */
final readonly class PacketDoor
{
    private function __construct(private Notation $notation)
    {
    }

    public static function open(string $format): ?self
    {
        $notation = Formats::notation($format);

        return $notation === null ? null : new self($notation);
    }

    /** @return array<mixed> fields, or what is wrong: error, offset, clause */
    public function decode(string $bytes): array
    {
        try {
            return (array) $this->notation->read($bytes)->plain();
        } catch (Malformed $malformed) {
            return self::refusal($malformed);
        }
    }

    /**
     * @return Part|array{error: string, offset: int, clause: string}
     */
    public function dissect(string $bytes): Part|array
    {
        try {
            return $this->notation->read($bytes);
        } catch (Malformed $malformed) {
            return self::refusal($malformed);
        }
    }

    /** @return string|array{error: string, field: string} bytes, or what is wrong */
    public function encode(string $json): string|array
    {
        $fields = json_decode($json, true, 64);
        if (! \is_array($fields)) {
            return ['error' => 'it is not a JSON object: '.json_last_error_msg(), 'field' => ''];
        }
        try {
            return $this->notation->write($fields);
        } catch (Unwritable $unwritable) {
            return ['error' => $unwritable->getMessage(), 'field' => $unwritable->field];
        }
    }

    /**
     * @return string|array{error: string, offset: int, clause: string} bytes; blanks, colons and commas between them are
     * skipped
     */
    public static function fromHex(string $hex): string|array
    {
        $digits = preg_replace('/0x|[\s:,]/i', '', $hex) ?? '';
        $bad = strspn($digits, '0123456789abcdefABCDEF');
        if ($bad < \strlen($digits)) {
            return [
                'error' => "\"{$digits[$bad]}\" is not a hexadecimal digit",
                'offset' => intdiv($bad, 2),
                'clause' => 'input',
            ];
        }

        return \strlen($digits) % 2 === 1
            ? ['error' => 'the number of hexadecimal digits is odd', 'offset' => intdiv(\strlen($digits), 2), 'clause' => 'input']
            : (string) hex2bin($digits);
    }

    /** @return array{error: string, offset: int, clause: string} */
    private static function refusal(Malformed $malformed): array
    {
        return ['error' => $malformed->reason, 'offset' => $malformed->offset, 'clause' => $malformed->clause];
    }
}
