<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

use NimbleJunction\Core\Wire\Malformed;

/**
 * The newer capture format: sections of blocks, each with its length in front
 * and behind. Interfaces say their kind of link and how fine their times are.
 *
 * Source: "PCAP Next Generation (pcapng) Capture File Format", IETF draft (from memory).
 */
final class Pcapng
{
    private const SECTION = 0x0A0D0D0A;
    private const INTERFACE = 1;
    private const SIMPLE_PACKET = 3;
    private const ENHANCED_PACKET = 6;
    private const IF_NAME = 2;
    private const IF_TSRESOL = 9;
    private const IF_TSOFFSET = 14;
    private const LAST_SECOND = 9_000_000_000;
    private const CLAUSE = 'pcapng Capture File Format';
    private string $order = 'V';

    /** Place of the interface of the packet that was read last. */
    private int $place = 0;

    /** @var list<array{linkType: int, perSecond: int, offset: int, name: string}> */
    private array $interfaces = [];

    /** @param string $bytes the file, or the block that is read now */
    private function __construct(private string $bytes)
    {
    }

    public static function isOne(string $bytes): bool
    {
        return str_starts_with($bytes, "\x0A\x0D\x0D\x0A");
    }

    /**
     * @return iterable<Frame> as far as the file is sound
     *
     * @throws Malformed where it stops to be
     */
    public static function frames(string $bytes): iterable
    {
        return (new self($bytes))->read();
    }

    /**
     * @param iterable<string> $blocks of one file, as they stand
     *
     * @return iterable<array{string, Frame}> what the interface is called, and the packet
     *
     * @throws Malformed where it stops to be sound
     */
    public static function framesOf(iterable $blocks): iterable
    {
        $reader = new self('');
        foreach ($blocks as $block) {
            $reader->bytes = $block;
            foreach ($reader->read() as $frame) {
                yield [$reader->interfaces[$reader->place]['name'] ?? '', $frame];
            }
        }
    }

    /** @return iterable<Frame> */
    private function read(): iterable
    {
        $length = \strlen($this->bytes);
        for ($at = 0; $at < $length; $at += $size) {
            if ($length - $at < 12) {
                throw Malformed::at($at, 'a block is cut off', self::CLAUSE);
            }
            $type = $this->number($at);
            if ($type === self::SECTION) {
                $this->order = match (substr($this->bytes, $at + 8, 4)) {
                    "\x1A\x2B\x3C\x4D" => 'N',
                    "\x4D\x3C\x2B\x1A" => 'V',
                    default => throw Malformed::at($at + 8, 'the byte-order magic is not 1A2B3C4D', self::CLAUSE),
                };
                $this->interfaces = [];
            }
            $size = $this->number($at + 4);
            if ($size < 12 || $size % 4 !== 0 || $size > $length - $at || $this->number($at + $size - 4) !== $size) {
                throw Malformed::at($at + 4, "a block says {$size} bytes, which does not fit what is there", self::CLAUSE);
            }
            if ($type === self::INTERFACE) {
                $this->addInterface($at, $size);
            } elseif ($type === self::ENHANCED_PACKET) {
                yield $this->enhanced($at, $size);
            } elseif ($type === self::SIMPLE_PACKET) {
                yield $this->simple($at, $size);
            }
        }
    }

    private function addInterface(int $at, int $size): void
    {
        if ($size < 20) {
            throw Malformed::at($at, 'an interface block is too short', self::CLAUSE);
        }
        $perSecond = 1_000_000;
        $offset = 0;
        $name = '';
        for ($option = $at + 16, $end = $at + $size - 4; $option + 4 <= $end; $option += 4 + $length + (-$length & 3)) {
            [$code, $length] = [$this->short($option), $this->short($option + 2)];
            if ($code === self::IF_TSRESOL && $length === 1 && $option + 4 < $end) {
                $resolution = \ord($this->bytes[$option + 4]);
                $exponent = $resolution & 0x7F;
                if ($exponent > ($resolution > 0x7F ? 62 : 18)) {
                    throw Malformed::at(
                        $option + 4,
                        "a time resolution of {$resolution} is finer than can be counted",
                        self::CLAUSE,
                    );
                }
                $perSecond = $resolution > 0x7F ? 1 << $exponent : 10 ** $exponent;
            } elseif ($code === self::IF_NAME && $option + 4 + $length <= $end) {
                $name = substr($this->bytes, $option + 4, $length);
            } elseif ($code === self::IF_TSOFFSET && $length === 8 && $option + 12 <= $end) {
                $offset = $this->number($option + ($this->order === 'V' ? 4 : 8));
            } elseif ($code === 0) {
                break;
            }
        }
        $this->interfaces[] = [
            'linkType' => $this->short($at + 8),
            'perSecond' => $perSecond,
            'offset' => $offset,
            'name' => $name,
        ];
    }

    private function enhanced(int $at, int $size): Frame
    {
        if ($size < 32) {
            throw Malformed::at($at, 'a packet block is too short', self::CLAUSE);
        }
        $this->place = $this->number($at + 8);
        $interface = $this->interfaces[$this->place] ?? throw Malformed::at(
            $at + 8,
            'a packet names an interface that was not described',
            self::CLAUSE,
        );
        $captured = $this->number($at + 20);
        if ($captured > $size - 32) {
            throw Malformed::at($at + 20, "a packet of {$captured} bytes does not fit its block", self::CLAUSE);
        }
        $ticks = $this->number($at + 12) << 32 | $this->number($at + 16);
        $seconds = intdiv($ticks, $interface['perSecond']);
        $rest = $ticks - $seconds * $interface['perSecond'];
        // With whole numbers, or it becomes a float of nobody knows when.
        if (abs($seconds + $interface['offset']) > self::LAST_SECOND) {
            throw Malformed::at($at + 12, 'a time is farther away than can be counted', self::CLAUSE);
        }
        $time = ($seconds + $interface['offset']) * 1_000_000_000 + (int) ($rest * (1_000_000_000 / $interface['perSecond']));

        return new Frame(
            $time,
            $interface['linkType'],
            substr($this->bytes, $at + 28, $captured),
            $at + 28,
            $captured === $this->number($at + 24),
        );
    }

    private function simple(int $at, int $size): Frame
    {
        $this->place = 0;
        $interface = $this->interfaces[0] ?? throw Malformed::at($at, 'a packet comes before any interface', self::CLAUSE);
        $original = $size < 16 ? 0 : $this->number($at + 8);

        return new Frame(
            0,
            $interface['linkType'],
            substr($this->bytes, $at + 12, min($original, $size - 16)),
            $at + 12,
            $original <= $size - 16,
        );
    }

    private function number(int $at): int
    {
        $read = \strlen($this->bytes) - $at < 4 ? false : unpack($this->order, $this->bytes, $at);

        return \is_array($read) && \is_int($read[1]) ? $read[1] : 0;
    }

    private function short(int $at): int
    {
        $read = \strlen($this->bytes) - $at < 2 ? false : unpack($this->order === 'V' ? 'v' : 'n', $this->bytes, $at);

        return \is_array($read) && \is_int($read[1]) ? $read[1] : 0;
    }
}
