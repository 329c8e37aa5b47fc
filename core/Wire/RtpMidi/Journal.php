<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

use NimbleJunction\Core\Wire\Malformed;

/**
 * The recovery journal: what a receiver needs to mend a loss.
 *
 * Source: RFC 6295, 5 and appendices A and B.
 */
final readonly class Journal
{
    private const CLAUSE = 'RFC 6295, 5';

    /**
     * @param bool $single S: nothing in it is needed after the loss of one packet
     * @param bool $enhanced H: chapter C is encoded in its enhanced way
     * @param int $checkpoint sequence number of the packet that its history begins behind
     * @param string $system the system journal as it is, with its header; '' for none
     * @param list<ChannelJournal> $channels
     */
    public function __construct(
        public bool $single,
        public bool $enhanced,
        public int $checkpoint,
        public string $system = '',
        public array $channels = [],
    ) {
    }

    /** @throws Malformed */
    public static function read(string $bytes, int $offset): self
    {
        $length = \strlen($bytes);
        if ($length - $offset < 3) {
            throw Malformed::at($length, 'the recovery journal is cut off', self::CLAUSE);
        }
        $flags = \ord($bytes[$offset]);
        $checkpoint = \ord($bytes[$offset + 1]) << 8 | \ord($bytes[$offset + 2]);
        $at = $offset + 3;
        $system = '';
        if (($flags & 0x40) !== 0) {
            $size = $length - $at < 2 ? 0 : (\ord($bytes[$at]) & 3) << 8 | \ord($bytes[$at + 1]);
            if ($size < 2 || $size > $length - $at) {
                throw Malformed::outside(
                    'LENGTH of the system journal',
                    $size,
                    2,
                    max(2, $length - $at),
                    $at,
                    'RFC 6295, appendix B',
                );
            }
            $system = substr($bytes, $at, $size);
            $at += $size;
        }
        $channels = [];
        if (($flags & 0x20) !== 0) {
            for ($i = 0; $i <= ($flags & 15); ++$i) {
                $channels[] = ChannelJournal::read($bytes, $at);
            }
        }
        if ($at !== $length) {
            throw Malformed::at($at, ($length - $at).' bytes are left over', self::CLAUSE);
        }

        return new self(($flags & 0x80) !== 0, ($flags & 0x10) !== 0, $checkpoint, $system, $channels);
    }

    public function encode(): string
    {
        $flags = ($this->single ? 0x80 : 0) | ($this->system !== '' ? 0x40 : 0) | ($this->channels !== []
            ? 0x20
            : 0) | ($this->enhanced ? 0x10 : 0) | max(0, \count($this->channels) - 1);

        return pack('Cn', $flags, $this->checkpoint).$this->system.implode(
            '',
            array_map(static fn(ChannelJournal $one): string => $one->encode(), $this->channels),
        );
    }
}
