<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * OpTrigger, 0x9900. With OEM code 0xFFFF the key says what the sub-key is;
 * with any other, both are the maker's own.
 *
 * Source: Art-Net 4 protocol document, "ArtTrigger" (from memory).
 */
final readonly class Trigger
{
    public const EVERYONE = 0xFFFF;
    public const KEYS = ['KeyAscii: a character', 'KeyMacro: a macro', 'KeySoft: a soft key', 'KeyShow: a show'];

    public function __construct(public int $key, public int $subKey, public int $oem = self::EVERYONE, public string $data = '')
    {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);

        return new self($values->int('Key'), $values->int('SubKey'), $values->int('Oem'), $values->text('Data'));
    }

    public function encode(): string
    {
        return self::layout()->write(
            ['Oem' => $this->oem, 'Key' => $this->key, 'SubKey' => $this->subKey, 'Data' => str_pad($this->data, 512, "\0")],
        );
    }

    public static function layout(): Layout
    {
        return Header::layout(
            'ArtTrigger',
            OpCode::Trigger,
            18,
            Field::bytes('Filler', 2),
            Field::number('Oem', 2, self::EVERYONE)->meaning(
                static fn(int $oem): string => $oem === self::EVERYONE ? 'for everyone' : "a maker's own keys",
            ),
            Field::number('Key', 1)->meaning(static fn(int $key): string => self::KEYS[$key] ?? ''),
            Field::number('SubKey', 1),
            Field::bytes('Data'),
        );
    }
}
