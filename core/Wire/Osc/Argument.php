<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/** One argument of an OSC message: its type tag and its value (OSC 1.0, "OSC Type Tag String"). */
final readonly class Argument
{
    private function __construct(public string $tag, public int|float|string $value)
    {
    }

    /** 32 bits, signed */
    public static function int(int $value): self
    {
        return new self('i', $value);
    }

    /** IEEE 754 single precision on the wire */
    public static function float(float $value): self
    {
        return new self('f', $value);
    }

    public static function string(string $value): self
    {
        return new self('s', $value);
    }

    public static function of(int|float|string $value): self
    {
        return new self(\is_int($value) ? 'i' : (\is_float($value) ? 'f' : 's'), $value);
    }

    public function encode(): string
    {
        return match ($this->tag) {
            'i' => pack('N', (int) $this->value & 0xFFFFFFFF),
            'f' => pack('G', (float) $this->value),
            default => Padded::write((string) $this->value),
        };
    }

    /**
     * @param int $offset moved behind the argument
     *
     * @throws Malformed
     */
    public static function decode(string $tag, string $bytes, int &$offset): self
    {
        if ($tag === 's') {
            return new self('s', Padded::read($bytes, $offset, 'A string argument'));
        }
        if ($tag !== 'i' && $tag !== 'f') {
            throw Malformed::at($offset, "type tag \"{$tag}\" is not one of i, f and s", 'OSC 1.0, OSC Type Tag String');
        }
        if (\strlen($bytes) - $offset < 4) {
            throw Malformed::tooShort("Argument \"{$tag}\"", $offset + 4, \strlen($bytes), 'OSC 1.0, Atomic Data Types');
        }
        $four = substr($bytes, $offset, 4);
        $offset += 4;
        if ($tag === 'f') {
            $read = unpack('G', $four);

            return new self('f', \is_array($read) && \is_float($read[1]) ? $read[1] : 0.0);
        }
        $number = \ord($four[0]) << 24 | \ord($four[1]) << 16 | \ord($four[2]) << 8 | \ord($four[3]);

        return new self('i', $number > 0x7FFFFFFF ? $number - 0x100000000 : $number);
    }
}
