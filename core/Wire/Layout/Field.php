<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Layout;

/** One field of a fixed layout: its name in the standard, its kind and its width. */
final readonly class Field
{
    /**
     * @param int $width in bytes; 0 for all that is left
     * @param int|string $default what is written when nothing is given
     * @param (\Closure(int): string)|null $meaning
     * @param (\Closure(string): string)|null $words of bytes
     * @param int<1, 7> $each bytes of one number, where there are several
     */
    private function __construct(
        public string $name,
        public Kind $kind,
        public int $width,
        public int|string $default,
        private int $highest = 0,
        private ?\Closure $meaning = null,
        private ?\Closure $words = null,
        private int $each = 1,
    ) {
    }

    /** @param int|null $highest where the bytes could say more than the standard allows when sending */
    public static function number(string $name, int $width, int $default = 0, ?int $highest = null): self
    {
        return new self($name, Kind::Number, $width, $default, $highest ?? self::most($width));
    }

    public static function numberLowFirst(string $name, int $width, int $default = 0): self
    {
        return new self($name, Kind::NumberLowFirst, $width, $default, self::most($width));
    }

    /** @param int $width 0 for text to the end of the packet, closed by a zero byte */
    public static function text(string $name, int $width): self
    {
        return new self($name, Kind::Text, $width, '');
    }

    public static function address(string $name): self
    {
        return new self($name, Kind::Address, 4, '0.0.0.0');
    }

    public static function bytes(string $name, int $width = 0): self
    {
        return new self($name, Kind::Bytes, $width, str_repeat("\0", $width));
    }

    /**
     * @param int $width of all of them; 0 for all that is left
     * @param int<1, 7> $each bytes of one, high byte first
     */
    public static function numbers(string $name, int $width = 0, int $each = 1): self
    {
        return new self($name, Kind::Numbers, $width, str_repeat("\0", $width), each: $each);
    }

    public static function fixed(string $name, string $bytes): self
    {
        return new self($name, Kind::Fixed, \strlen($bytes), $bytes);
    }

    /** @param \Closure(int): string $meaning of a number, in words */
    public function meaning(\Closure $meaning): self
    {
        return new self($this->name, $this->kind, $this->width, $this->default, $this->highest, $meaning);
    }

    /** @param \Closure(string): string $words what bytes say, as people write it */
    public function saying(\Closure $words): self
    {
        return new self($this->name, $this->kind, $this->width, $this->default, $this->highest, words: $words);
    }

    /** @return int|string numbers as such, text and addresses as text, everything else as bytes */
    public function read(string $bytes): int|string
    {
        return match ($this->kind) {
            Kind::Number => self::unsigned($bytes),
            Kind::NumberLowFirst => self::unsigned(strrev($bytes)),
            Kind::Text => mb_scrub(strstr($bytes."\0", "\0", true) ?: '', 'UTF-8'),
            Kind::Address => implode('.', array_map(\ord(...), str_split($bytes))),
            default => $bytes,
        };
    }

    public function part(string $bytes, int $offset): Part
    {
        $value = $this->read($bytes);
        $length = \strlen($bytes);
        if ($this->kind === Kind::Numbers) {
            return Part::list($this->name, $offset, $length, $this->single($bytes, $offset));
        }
        return Part::value(
            $this->name,
            $offset,
            $length,
            match ($this->kind) {
                Kind::Fixed => $this->fixedText(),
                Kind::Bytes => bin2hex($bytes),
                default => $value,
            },
            match (true) {
                \is_int($value) => $this->meaning === null ? '' : ($this->meaning)($value),
                default => $this->words === null ? '' : ($this->words)($bytes),
            },
        );
    }

    /** @return list<Part> each number, named by its place from 0 */
    private function single(string $bytes, int $offset): array
    {
        $parts = [];
        foreach ($bytes === '' ? [] : str_split($bytes, $this->each) as $i => $piece) {
            $parts[] = Part::value((string) $i, $offset + $i * $this->each, \strlen($piece), self::unsigned($piece));
        }

        return $parts;
    }

    /**
     * @param int|string $value as read() gives it
     *
     * @throws Unwritable
     */
    public function write(int|string $value): string
    {
        if ($this->kind === Kind::Number || $this->kind === Kind::NumberLowFirst) {
            // Eight bytes hold more than PHP's numbers above zero: those with the topmost bit are negative here.
            if (! \is_int($value) || ($value < 0 && $this->width < 8) || $value > $this->highest) {
                throw Unwritable::field($this->name, $value, "use a whole number from 0 to {$this->highest}");
            }
            $bytes = substr(pack('J', $value), -$this->width);

            return $this->kind === Kind::Number ? $bytes : strrev($bytes);
        }
        $value = (string) $value;
        if ($this->kind === Kind::Text && $this->width === 0) {
            return $value === '' ? '' : str_replace("\0", '', $value)."\0";
        }
        if ($this->kind === Kind::Text) {
            if (\strlen($value) >= $this->width || preg_match('//u', $value) !== 1) {
                throw Unwritable::field($this->name, $value, 'use a text of at most '.($this->width - 1).' bytes in UTF-8');
            }

            return str_pad($value, $this->width, "\0");
        }
        if ($this->kind === Kind::Address) {
            $packed = filter_var($value, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) === false ? false : inet_pton($value);

            return \is_string($packed) ? $packed : throw Unwritable::field(
                $this->name,
                $value,
                'use an IPv4 address, like 192.168.1.10',
            );
        }
        if ($this->width > 0 && \strlen($value) !== $this->width) {
            throw Unwritable::field($this->name, bin2hex($value), "{$this->width} bytes are needed");
        }

        return $value;
    }

    /**
     * From what stands in JSON to what write() takes.
     *
     * @throws Unwritable
     */
    public function fromPlain(mixed $plain): int|string
    {
        if ($this->kind === Kind::Numbers) {
            return $this->joined($plain);
        }
        if ($this->kind === Kind::Fixed) {
            return $plain === $this->fixedText()
                ? $this->default
                : throw Unwritable::field($this->name, $plain, "it is always \"{$this->fixedText()}\"");
        }
        if ($this->kind === Kind::Bytes) {
            return Plain::bytes($plain, $this->name);
        }

        return \is_int($plain) || \is_string($plain)
            ? $plain
            : throw Unwritable::field($this->name, $plain, 'use a number or a text');
    }

    /**
     * From a list; longer numbers were hexadecimal once, and may still be.
     *
     * @throws Unwritable
     */
    private function joined(mixed $plain): string
    {
        if (\is_string($plain) && $this->each > 1) {
            return Plain::bytes($plain, $this->name);
        }
        $highest = self::most($this->each);
        $bytes = '';
        foreach (\is_array($plain) ? $plain : [null] as $number) {
            if (! \is_int($number) || $number < 0 || $number > $highest) {
                throw Unwritable::field($this->name, $plain, "use a list of whole numbers from 0 to {$highest}");
            }
            $bytes .= substr(pack('J', $number), -$this->each);
        }

        return $bytes;
    }

    /** What is always the same stands as text where it is text, otherwise in hexadecimal. */
    private function fixedText(): string
    {
        $text = rtrim((string) $this->default, "\0");

        return preg_match('/^[\x20-\x7E]+$/D', $text) === 1 ? $text : bin2hex((string) $this->default);
    }

    /** @param string $bytes up to eight, high byte first */
    private static function unsigned(string $bytes): int
    {
        $number = 0;
        for ($i = 0, $length = \strlen($bytes); $i < $length; ++$i) {
            $number = $number << 8 | \ord($bytes[$i]);
        }

        return $number;
    }

    private static function most(int $width): int
    {
        return $width >= 8 ? \PHP_INT_MAX : (1 << 8 * $width) - 1;
    }
}
