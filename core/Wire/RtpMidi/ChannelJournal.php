<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

use NimbleJunction\Core\Wire\Malformed;

/**
 * What one channel has to know after a loss: chapters P, C, M, W, N, E, T and
 * A, in this order, those that the table of contents names.
 *
 * Source: RFC 6295, 5 and appendix A.
 */
final readonly class ChannelJournal
{
    public const CHAPTERS = ['P', 'C', 'M', 'W', 'N', 'E', 'T', 'A'];
    private const CLAUSE = 'RFC 6295, appendix A';

    /**
     * @param int $channel 1 to 16
     * @param array<string, string> $chapters bytes by letter
     */
    public function __construct(public bool $single, public int $channel, public bool $enhanced, public array $chapters)
    {
    }

    /**
     * @param int $offset moved behind it
     *
     * @throws Malformed
     */
    public static function read(string $bytes, int &$offset): self
    {
        if (\strlen($bytes) - $offset < 3) {
            throw Malformed::at(\strlen($bytes), 'a channel journal is cut off', 'RFC 6295, 5');
        }
        $first = \ord($bytes[$offset]);
        $length = ($first & 3) << 8 | \ord($bytes[$offset + 1]);
        if ($length < 3 || $length > \strlen($bytes) - $offset) {
            throw Malformed::outside(
                'LENGTH of a channel journal',
                $length,
                3,
                \strlen($bytes) - $offset,
                $offset,
                'RFC 6295, 5',
            );
        }
        $contents = \ord($bytes[$offset + 2]);
        $end = $offset + $length;
        $at = $offset + 3;
        $chapters = [];
        foreach (self::CHAPTERS as $i => $letter) {
            if (($contents & 0x80 >> $i) !== 0) {
                $size = self::size($letter, $bytes, $at, $end);
                $chapters[$letter] = substr($bytes, $at, $size);
                $at += $size;
            }
        }
        if ($at !== $end) {
            throw Malformed::at($at, 'a channel journal has '.($end - $at).' bytes more than its chapters', 'RFC 6295, 5');
        }
        $offset = $end;

        return new self(($first & 0x80) !== 0, ($first >> 3 & 15) + 1, ($first & 4) !== 0, $chapters);
    }

    public function encode(): string
    {
        $contents = 0;
        $bytes = '';
        foreach (self::CHAPTERS as $i => $letter) {
            if (isset($this->chapters[$letter])) {
                $contents |= 0x80 >> $i;
                $bytes .= $this->chapters[$letter];
            }
        }
        $length = \strlen($bytes) + 3;

        return \chr(
            ($this->single ? 0x80 : 0) | $this->channel - 1 << 3 | ($this->enhanced ? 4 : 0) | $length >> 8,
        ).\chr($length & 255).\chr($contents).$bytes;
    }

    /**
     * Chapter N: which notes sound, and which have ended.
     *
     * @return array{on: array<int, int>, off: list<int>} velocity by note; notes
     */
    public function notes(): array
    {
        $bytes = $this->chapters['N'] ?? '';
        $result = ['on' => [], 'off' => []];
        if (\strlen($bytes) < 2) {
            return $result;
        }
        $logs = self::noteLogs($bytes, 0);
        for ($i = 0; $i < $logs; ++$i) {
            $result['on'][\ord($bytes[2 + 2 * $i]) & 127] = \ord($bytes[3 + 2 * $i]) & 127;
        }
        [$low, $high] = [\ord($bytes[1]) >> 4, \ord($bytes[1]) & 15];
        for ($octet = $low; $octet <= $high; ++$octet) {
            $bits = \ord($bytes[2 + 2 * $logs + $octet - $low] ?? "\0");
            for ($bit = 0; $bit < 8; ++$bit) {
                if (($bits & 0x80 >> $bit) !== 0) {
                    $result['off'][] = 8 * $octet + $bit;
                }
            }
        }

        return $result;
    }

    /** @throws Malformed */
    private static function size(string $letter, string $bytes, int $at, int $end): int
    {
        $need = static function (int $size) use ($letter, $at, $end): int {
            return $at + $size <= $end ? $size : throw Malformed::at($end, "chapter {$letter} is cut off", self::CLAUSE);
        };
        $head = $letter === 'N' || $letter === 'M' ? 2 : 1;
        $need($head);

        return $need(match ($letter) {
            'P' => 3,
            'W' => 2,
            'T' => 1,
            'M' => max(2, (\ord($bytes[$at]) & 3) << 8 | \ord($bytes[$at + 1])),
            'N' => 2 + 2 * self::noteLogs($bytes, $at) + max(0, (\ord($bytes[$at + 1]) & 15) - (\ord($bytes[$at + 1]) >> 4) + 1),
            // C, E and A: a count of logs less one, two bytes each
            default => 1 + 2 * ((\ord($bytes[$at]) & 127) + 1),
        });
    }

    private static function noteLogs(string $bytes, int $at): int
    {
        $count = \ord($bytes[$at]) & 127;

        // 127 with the empty range 15–0 means 128 (RFC 6295, A.6.1).
        return $count === 127 && \ord($bytes[$at + 1]) === 0xF0 ? 128 : $count;
    }
}
