<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/** Messages and bundles that take effect together, at a time (OSC 1.0, "OSC Bundles"). */
final readonly class Bundle
{
    public const BEGINNING = "#bundle\0";
    private const CLAUSE = 'OSC 1.0, OSC Bundles';
    private const DEEPEST = 8;

    /** @param list<Message|Bundle> $elements */
    public function __construct(public TimeTag $timeTag, public array $elements)
    {
    }

    /** @throws Malformed */
    public static function decode(string $bytes, int $base = 0, int $depth = 0): self
    {
        $length = \strlen($bytes);
        if ($length < 16) {
            throw Malformed::tooShort('A bundle', 16, $length, self::CLAUSE);
        }
        if ($depth >= self::DEEPEST) {
            throw Malformed::at($base, 'bundles are nested deeper than '.self::DEEPEST, 'our own limit');
        }
        $elements = [];
        for ($offset = 16; $offset < $length; $offset += 4 + $size) {
            $size = $length - $offset < 4 ? 0 : (int) hexdec(bin2hex(substr($bytes, $offset, 4)));
            if ($size === 0 || $size % 4 !== 0 || $size > $length - $offset - 4) {
                throw Malformed::at($base + $offset, "element size {$size} does not fit", self::CLAUSE);
            }
            $elements[] = Packet::parse(substr($bytes, $offset + 4, $size), $base + $offset + 4, $depth + 1);
        }

        return new self(TimeTag::read($bytes, 8), $elements);
    }

    public function encode(): string
    {
        $bytes = self::BEGINNING.$this->timeTag->encode();
        foreach ($this->elements as $element) {
            $one = $element->encode();
            $bytes .= pack('N', \strlen($one)).$one;
        }

        return $bytes;
    }

    /** @return list<Message> all of them, those in bundles inside too, in their order */
    public function messages(): array
    {
        $messages = [];
        foreach ($this->elements as $element) {
            array_push($messages, ...($element instanceof self ? $element->messages() : [$element]));
        }

        return $messages;
    }
}
