<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

/**
 * One of up to four ports on a page of a poll reply. Input and output are seen
 * from the network's other side: an input takes DMX from a line into Art-Net.
 */
final readonly class NodePort
{
    public const OUTPUT = 0x80;
    public const INPUT = 0x40;
    private const GOOD_INPUT_DATA = 0x80;
    private const GOOD_OUTPUT_DATA = 0x80;
    private const GOOD_OUTPUT_MERGING = 0x08;
    private const GOOD_OUTPUT_LTP = 0x02;

    /**
     * @param int $type OUTPUT and INPUT bits, and what it carries
     * @param int $in 0–15, low nibble of the port-address that it feeds
     * @param int $out 0–15, low nibble of the port-address that it takes
     */
    public function __construct(
        public int $type,
        public int $in = 0,
        public int $out = 0,
        public int $goodInput = 0,
        public int $goodOutput = 0,
        public int $goodOutputB = 0,
    ) {
    }

    /** A working port from Art-Net to a line. */
    public static function output(int $universe): self
    {
        return new self(self::OUTPUT, out: $universe, goodOutput: self::GOOD_OUTPUT_DATA);
    }

    /** A working port from a line to Art-Net. */
    public static function input(int $universe): self
    {
        return new self(self::INPUT, $universe, goodInput: self::GOOD_INPUT_DATA);
    }

    public function isOutput(): bool
    {
        return ($this->type & self::OUTPUT) !== 0;
    }

    public function isInput(): bool
    {
        return ($this->type & self::INPUT) !== 0;
    }

    public function isMerging(): bool
    {
        return ($this->goodOutput & self::GOOD_OUTPUT_MERGING) !== 0;
    }

    public function mergesLtp(): bool
    {
        return ($this->goodOutput & self::GOOD_OUTPUT_LTP) !== 0;
    }
}
