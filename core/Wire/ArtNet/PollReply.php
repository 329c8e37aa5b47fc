<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * OpPollReply, 0x2100: one node, or one page (bind index) of up to four of
 * its sockets. 239 bytes when sent; a reply of 207 bytes or more, as older
 * nodes send, is accepted.
 *
 * Source: Art-Net 4 protocol document, "ArtPollReply" (from memory).
 */
final readonly class PollReply
{
    public const OUTPUT = 0x80;
    public const INPUT = 0x40;
    private const CLAUSE = 'Art-Net 4, ArtPollReply';
    private const SHORTEST = 207;

    /**
     * @param string $address dotted IPv4 of the node
     * @param string $shortName at most 17 bytes
     * @param string $longName at most 63 bytes
     * @param list<array{type: int, in: int, out: int}> $sockets up to four: OUTPUT and INPUT bits, and the low nibble of the port-address each way
     * @param int $net 0–127, of all sockets on this page
     * @param int $subNet 0–15, of all sockets on this page
     * @param string $mac 6 bytes
     * @param int $style 0 node, 1 controller, 2 media server …
     */
    public function __construct(
        public string $address,
        public string $shortName,
        public string $longName,
        public array $sockets = [],
        public int $net = 0,
        public int $subNet = 0,
        public int $bindIndex = 1,
        public string $report = '',
        public int $firmware = 0,
        public int $oem = 0x7FF7,
        public int $esta = 0,
        public int $status1 = 0,
        public int $status2 = 0x08,
        public string $mac = "\0\0\0\0\0\0",
        public int $style = 0,
        public int $udpPort = Packet::UDP_PORT,
    ) {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $length = \strlen($bytes);
        if ($length < self::SHORTEST) {
            throw Malformed::tooShort('ArtPollReply', self::SHORTEST, $length, self::CLAUSE);
        }
        $count = \ord($bytes[172]) << 8 | \ord($bytes[173]);
        if ($count > 4) {
            throw Malformed::outside('NumPorts', $count, 0, 4, 172, self::CLAUSE);
        }
        $sockets = [];
        for ($i = 0; $i < $count; ++$i) {
            $sockets[] = [
                'type' => \ord($bytes[174 + $i]),
                'in' => \ord($bytes[186 + $i]) & 15,
                'out' => \ord($bytes[190 + $i]) & 15,
            ];
        }

        return new self(
            implode('.', array_map(\ord(...), str_split(substr($bytes, 10, 4)))),
            self::text(substr($bytes, 26, 18)),
            self::text(substr($bytes, 44, 64)),
            $sockets,
            \ord($bytes[18]) & 127,
            \ord($bytes[19]) & 15,
            $length > 211 ? \ord($bytes[211]) : 0,
            self::text(substr($bytes, 108, 64)),
            \ord($bytes[16]) << 8 | \ord($bytes[17]),
            \ord($bytes[20]) << 8 | \ord($bytes[21]),
            \ord($bytes[24]) | \ord($bytes[25]) << 8,
            \ord($bytes[23]),
            $length > 212 ? \ord($bytes[212]) : 0,
            substr($bytes, 201, 6),
            \ord($bytes[200]),
            \ord($bytes[14]) | \ord($bytes[15]) << 8,
        );
    }

    public function encode(): string
    {
        $sockets = OutOfRange::check('Sockets in one reply', \count($this->sockets), 0, 4);
        $types = $in = $out = $goodInput = $goodOutput = '';
        foreach ($this->sockets as $socket) {
            $types .= \chr($socket['type']);
            $in .= \chr($socket['in']);
            $out .= \chr($socket['out']);
            $goodInput .= \chr(($socket['type'] & self::INPUT) !== 0 ? 0x80 : 0);
            $goodOutput .= \chr(($socket['type'] & self::OUTPUT) !== 0 ? 0x80 : 0);
        }
        $four = static fn(string $bytes): string => str_pad($bytes, 4, "\0");

        return Packet::ID.pack('v', OpCode::PollReply->value)
            .self::ip($this->address).pack('vn', $this->udpPort, $this->firmware)
            .\chr($this->net).\chr($this->subNet).pack('n', $this->oem)."\0".\chr($this->status1).pack('v', $this->esta)
            .self::field($this->shortName, 18).self::field($this->longName, 64).self::field($this->report, 64)
            .pack('n', $sockets).$four($types).$four($goodInput).$four($goodOutput).$four($in).$four($out)
            .str_repeat("\0", 6).\chr($this->style).$this->mac.self::ip($this->address)
            .\chr($this->bindIndex).\chr($this->status2).str_repeat("\0", 26);
    }

    private static function ip(string $address): string
    {
        $packed = inet_pton($address);

        return $packed === false || \strlen($packed) !== 4 ? "\0\0\0\0" : $packed;
    }

    /** A text field always ends with a zero byte. */
    private static function field(string $text, int $width): string
    {
        return str_pad(mb_strcut($text, 0, $width - 1), $width, "\0");
    }

    private static function text(string $field): string
    {
        return mb_scrub(strstr($field."\0", "\0", true) ?: '', 'UTF-8');
    }
}
