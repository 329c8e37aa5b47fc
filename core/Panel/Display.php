<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Message\Exclusive;
use NimbleJunction\Core\Message\MessageAddress;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;

/** A display beside a part of a panel: a System Exclusive message with text in it, or an OSC address. */
final readonly class Display implements Part, Checked
{
    private const SHOWS = ['name', 'value', 'name and value'];
    private const HEX = '#^(?:[0-7][0-9a-f]\s*)*$#D';

    /**
     * @param string $address of OSC; '' for System Exclusive
     * @param string $before bytes between F0 and the text, in hexadecimal
     * @param int $length characters that it has
     */
    public function __construct(
        public string $shows = 'name',
        public string $address = '',
        public string $before = '',
        public int $length = 7,
    ) {
    }

    public static function label(): string
    {
        return 'Display';
    }

    public static function fields(): array
    {
        return [
            Field::word('shows', 'Shows', self::SHOWS, 'name'),
            Field::pattern('address', 'By OSC, at address', MessageAddress::PATTERN, MessageAddress::RULE, false),
            Field::pattern(
                'before',
                'By System Exclusive: bytes after F0, before the text',
                self::HEX,
                'Write bytes below 80 in hexadecimal, like 7d 01 00.',
                false,
            ),
            Field::whole('length', 'Characters', 1, 128, 7),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->address === '' && $this->before === '') {
            $fields->fault(
                'address',
                'nobody could write on it',
                'Give an OSC address, or the bytes of a System Exclusive message.',
            );
        }
    }

    public function message(string $name, string $value): Message
    {
        $text = match ($this->shows) {
            'value' => $value,
            'name and value' => trim("{$name} {$value}"),
            default => $name,
        };
        if ($this->address !== '') {
            return Osc::of($this->address, [mb_substr($text, 0, $this->length)]);
        }
        $plain = (string) preg_replace('/[^\x20-\x7E]/u', '?', mb_substr($text, 0, $this->length));

        return new Exclusive(new SystemExclusive(
            (string) hex2bin((string) preg_replace('/\s+/', '', $this->before)).str_pad($plain, $this->length),
        ));
    }
}
