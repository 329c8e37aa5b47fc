<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * OpCommand, 0x2400: text such as "SwoutText=Playback&", closed by a zero byte.
 *
 * Source: Art-Net 4 protocol document, "ArtCommand" (from memory).
 */
final readonly class Command
{
    public const EVERYONE = 0xFFFF;
    private const LONGEST = 512;

    /** @param string $text at most 511 bytes */
    public function __construct(public string $text, public int $esta = self::EVERYONE)
    {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);
        $length = $values->int('Length');
        $data = $values->text('Data');
        if ($length > self::LONGEST) {
            throw Malformed::outside('Length', $length, 0, self::LONGEST, 14, 'Art-Net 4, ArtCommand');
        }
        if ($length > \strlen($data)) {
            throw Malformed::tooShort(
                "ArtCommand with {$length} bytes of text",
                16 + $length,
                \strlen($bytes),
                'Art-Net 4, ArtCommand',
            );
        }

        return new self(mb_scrub(strstr(substr($data, 0, $length)."\0", "\0", true) ?: '', 'UTF-8'), $values->int('EstaMan'));
    }

    public function encode(): string
    {
        $data = mb_strcut($this->text, 0, self::LONGEST - 1)."\0";

        return self::layout()->write(['EstaMan' => $this->esta, 'Length' => \strlen($data), 'Data' => $data]);
    }

    /** @return array<string, string> what the text sets, by name */
    public function settings(): array
    {
        $settings = [];
        foreach (explode('&', $this->text) as $pair) {
            [$name, $value] = explode('=', $pair, 2) + [1 => ''];
            if ($name !== '') {
                $settings[$name] = $value;
            }
        }

        return $settings;
    }

    public function spelled(): string
    {
        return "\"{$this->text}\"";
    }

    public static function layout(): Layout
    {
        return Header::layout(
            'ArtCommand',
            OpCode::Command,
            16,
            Field::number('EstaMan', 2, self::EVERYONE)->meaning(
                static fn(int $esta): string => $esta === self::EVERYONE ? 'for everyone' : "a maker's own commands",
            ),
            Field::number('Length', 2),
            Field::bytes('Data'),
        );
    }
}
