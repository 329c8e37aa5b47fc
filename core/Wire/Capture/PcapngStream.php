<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

/**
 * A capture in the newer format, block by block as it is written: one section, low byte first, times in nanoseconds. Each
 * interface has a name, each packet may have a comment.
 *
 * Source: "PCAP Next Generation (pcapng) Capture File Format", IETF draft (from memory).
 */
final class PcapngStream
{
    private const COMMENT = 1;
    private const IF_NAME = 2;
    private const IF_TSRESOL = 9;
    private const NANOS = "\x09";

    /** @var array<string, int> places by name */
    private array $places = [];

    /** What the file begins with: byte-order magic, version 1.0, length of the section not said. */
    public static function begin(): string
    {
        return self::block(0x0A0D0D0A, pack('Vvv', 0x1A2B3C4D, 1, 0)."\xFF\xFF\xFF\xFF\xFF\xFF\xFF\xFF");
    }

    /**
     * @param string $interface what the interface is called; it is described when it is first named
     * @param int $linkType number of the registry of link types
     * @param int $at nanoseconds since 1970
     *
     * @return string the next blocks of the file
     */
    public function packet(string $interface, int $linkType, int $at, string $bytes, string $comment = ''): string
    {
        $described = '';
        $place = $this->places[$interface] ?? null;
        if ($place === null) {
            $place = $this->places[$interface] = \count($this->places);
            $options = self::option(self::IF_NAME, $interface).self::option(self::IF_TSRESOL, self::NANOS);
            $described = self::block(1, pack('vvV', $linkType, 0, 0).$options.self::option(0, ''));
        }
        $length = \strlen($bytes);
        $options = $comment === '' ? '' : self::option(self::COMMENT, $comment).self::option(0, '');

        return $described.self::block(
            6,
            pack('VVVVV', $place, $at >> 32, $at & 0xFFFFFFFF, $length, $length).self::padded($bytes).$options,
        );
    }

    private static function block(int $type, string $body): string
    {
        $length = pack('V', \strlen($body) + 12);

        return pack('V', $type).$length.$body.$length;
    }

    private static function option(int $code, string $value): string
    {
        $value = substr($value, 0, 0xFFFF);

        return pack('vv', $code, \strlen($value)).self::padded($value);
    }

    private static function padded(string $bytes): string
    {
        return $bytes.str_repeat("\0", -\strlen($bytes) & 3);
    }
}
