<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Sacn;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * An sACN data packet: the slots of one universe from one sender.
 *
 *   framing layer (clause 6)            DMP layer (clause 7)
 *    38 flags and length                115 flags and length
 *    40 vector 2                        117 vector 2
 *    44 source name, 64 bytes UTF-8     118 address and data type 0xA1
 *   108 priority 0–200                  119 first property address 0
 *   109 synchronisation address         121 address increment 1
 *   111 sequence number                 123 count 1–513
 *   112 options                         125 start code, then the slots
 *   113 universe 1–63999
 *
 * Source: ANSI E1.31-2018, tables 4-1, 6-1 and 7-1 (from memory).
 */
final readonly class Data
{
    public const PREVIEW = 0x80;
    public const TERMINATED = 0x40;
    public const FORCE_SYNCHRONISATION = 0x20;
    public const PER_SLOT_PRIORITY = 0xDD;
    private const SHORTEST = 126;

    /**
     * @param string $cid 16 bytes
     * @param string $levels the slots after the start code, up to 512 bytes
     * @param int $synchronisation universe whose synchronisation packets are waited for; 0 = none
     */
    public function __construct(
        public string $cid,
        public int $universe,
        public string $levels,
        public int $sequence = 0,
        public int $priority = 100,
        public string $sourceName = '',
        public int $options = 0,
        public int $synchronisation = 0,
        public int $startCode = 0,
    ) {
    }

    /** @throws Malformed the root layer has been checked by Packet */
    public static function decode(string $bytes): self
    {
        $length = \strlen($bytes);
        if ($length < self::SHORTEST) {
            throw Malformed::tooShort('An sACN data packet', self::SHORTEST, $length, 'ANSI E1.31-2018, table 4-1');
        }
        Packet::checkLength($bytes, 38, $length);
        Packet::checkLength($bytes, 115, $length);
        if (substr($bytes, 40, 4) !== "\0\0\0\x02") {
            throw Malformed::at(40, 'framing vector is not 2', 'ANSI E1.31-2018, 6.2.1');
        }
        if (substr($bytes, 117, 6) !== "\x02\xA1\x00\x00\x00\x01") {
            throw Malformed::at(
                117,
                'DMP vector, address type, first address and increment are not 2, 0xA1, 0 and 1',
                'ANSI E1.31-2018, 7.2 to 7.5',
            );
        }
        $count = \ord($bytes[123]) << 8 | \ord($bytes[124]);
        if ($count < 1 || $count > 513) {
            throw Malformed::outside('Property value count', $count, 1, 513, 123, 'ANSI E1.31-2018, 7.6');
        }
        if ($count !== $length - 125) {
            throw Malformed::at(123, "count says {$count}, ".($length - 125).' values are there', 'ANSI E1.31-2018, 7.6');
        }
        $priority = \ord($bytes[108]);
        if ($priority > 200) {
            throw Malformed::outside('Priority', $priority, 0, 200, 108, 'ANSI E1.31-2018, 6.2.3');
        }
        $universe = \ord($bytes[113]) << 8 | \ord($bytes[114]);
        if ($universe < Universe::LOWEST || $universe > Universe::HIGHEST) {
            throw Malformed::outside('Universe', $universe, Universe::LOWEST, Universe::HIGHEST, 113, 'ANSI E1.31-2018, 6.2.7');
        }

        return new self(
            substr($bytes, 22, 16),
            $universe,
            substr($bytes, 126),
            \ord($bytes[111]),
            $priority,
            self::name($bytes),
            \ord($bytes[112]),
            \ord($bytes[109]) << 8 | \ord($bytes[110]),
            \ord($bytes[125]),
        );
    }

    public function encode(): string
    {
        return self::beginning($this->cid, $this->sourceName, \strlen($this->levels))
            .pack(
                'CnCCn',
                OutOfRange::check('sACN priority', $this->priority, 0, 200),
                $this->synchronisation,
                $this->sequence,
                $this->options,
                OutOfRange::check('sACN universe', $this->universe, Universe::LOWEST, Universe::HIGHEST),
            )
            .self::middle(\strlen($this->levels)).\chr($this->startCode).$this->levels;
    }

    /** Per-slot priorities instead of levels: start code 0xDD, common use, not in the standard. 0 is "not sent". */
    public function carriesPriorities(): bool
    {
        return $this->startCode === self::PER_SLOT_PRIORITY;
    }

    public function spelled(): string
    {
        $words = ["universe {$this->universe} from \"{$this->sourceName}\", priority {$this->priority}"];
        foreach ([
            [$this->isPreview(), 'preview'],
            [$this->isTerminated(), 'stream terminated'],
            [($this->options & self::FORCE_SYNCHRONISATION) !== 0, 'force synchronization'],
            [$this->carriesPriorities(), 'per-slot priorities'],
        ] as [$is, $word]) {
            if ($is) {
                $words[] = $word;
            }
        }

        return implode(', ', $words);
    }

    public static function layout(): Layout
    {
        return new Layout(
            'E1.31 Data Packet',
            'ANSI E1.31-2018, table 4-1',
            self::SHORTEST,
            ...Packet::root(110, 4),
            ...[
                Field::number('Framing Layer Flags and Length', 2, 0x7058),
                Field::number('Framing Layer Vector', 4, 2),
                Field::text('Source Name', 64),
                Field::number('Priority', 1, 100, 200),
                Field::number('Synchronization Address', 2, 0, Universe::HIGHEST)->meaning(
                    static fn(int $address): string => $address === 0 ? 'not synchronized' : '',
                ),
                Field::number('Sequence Number', 1),
                Field::number('Options', 1)->meaning(static fn(int $options): string => implode(', ', array_keys(array_filter([
                    'preview' => $options & self::PREVIEW,
                    'stream terminated' => $options & self::TERMINATED,
                    'force synchronization' => $options & self::FORCE_SYNCHRONISATION,
                ])))),
                Field::number('Universe', 2, 1, Universe::HIGHEST),
                Field::number('DMP Layer Flags and Length', 2, 0x700B),
                Field::number('DMP Layer Vector', 1, 2),
                Field::number('Address Type & Data Type', 1, 0xA1),
                Field::number('First Property Address', 2),
                Field::number('Address Increment', 2, 1),
                Field::number('Property Value Count', 2, 1, 513),
                Field::numbers('Property Values'),
            ],
        );
    }

    public function isPreview(): bool
    {
        return ($this->options & self::PREVIEW) !== 0;
    }

    public function isTerminated(): bool
    {
        return ($this->options & self::TERMINATED) !== 0;
    }

    /** Bytes 0 to 107: the same in every packet of one sender with one slot count. */
    private static function beginning(string $cid, string $sourceName, int $slots): string
    {
        OutOfRange::check('Slot count', $slots, 0, 512);

        return Packet::PREAMBLE.pack('nN', 0x7000 | $slots + 110, 4).$cid.pack('nN', 0x7000 | $slots + 88, 2)
            .str_pad(mb_strcut($sourceName, 0, 63), 64, "\0");
    }

    /** Bytes 115 to 124. */
    private static function middle(int $slots): string
    {
        return pack('nCCnnn', 0x7000 | $slots + 11, 2, 0xA1, 0, 1, $slots + 1);
    }

    private static function name(string $bytes): string
    {
        $field = substr($bytes, 44, 64);
        $end = strpos($field, "\0");
        $name = $end === false ? $field : substr($field, 0, $end);

        return preg_match('//u', $name) === 1 ? $name : mb_scrub($name, 'UTF-8');
    }
}
