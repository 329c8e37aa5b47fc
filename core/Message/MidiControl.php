<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;

/** What of a MIDI channel has a value that may travel: a controller, the pitch bend, or the pressure. */
final readonly class MidiControl
{
    public const RULE = 'Name it as channel/controller, like 1/7: channels are 1 to 16, controllers 0 to 127, bend or pressure.';

    /** What a pitch bend is at most, in 14 bits. */
    private const BENT = 16383;
    private const HIGHEST = 127;

    /** Controllers that everybody has on some knob (MIDI 1.0 Detailed Specification, table of controllers, from memory). */
    private const NAMES = [
        1 => 'modulation',
        2 => 'breath',
        4 => 'foot',
        7 => 'volume',
        10 => 'pan',
        11 => 'expression',
        64 => 'sustain',
    ];

    /** @param int|string $what number of a controller, "bend" or "pressure" */
    private function __construct(public int $channel, public int|string $what)
    {
    }

    /** @param string $part "1/7", "1/bend" */
    public static function parse(string $part): ?self
    {
        if (preg_match('#^([1-9]|1[0-6])/(0|[1-9]\d{0,2}|bend|pressure)$#D', $part, $found) !== 1) {
            return null;
        }
        $what = is_numeric($found[2]) ? (int) $found[2] : $found[2];

        return \is_int($what) && $what > self::HIGHEST ? null : new self((int) $found[1], $what);
    }

    /** @return array{self, int}|null what a channel message says of one, and its value; null where it says something else */
    public static function heard(string $bytes): ?array
    {
        $channel = (\ord($bytes[0] ?? "\0") & 15) + 1;
        $first = \ord($bytes[1] ?? "\0");
        $second = \ord($bytes[2] ?? "\0");

        return match (\ord($bytes[0] ?? "\0") & 0xF0) {
            0xB0 => [new self($channel, $first), $second],
            0xD0 => [new self($channel, 'pressure'), $first],
            0xE0 => [new self($channel, 'bend'), $second << 7 | $first],
            default => null,
        };
    }

    /** @return list<string> parts that are offered to choose from, of one channel */
    public static function usual(int $channel): array
    {
        return [
            ...array_map(static fn(int $number): string => "{$channel}/{$number}", array_keys(self::NAMES)),
            "{$channel}/bend",
            "{$channel}/pressure",
        ];
    }

    public function part(): string
    {
        return "{$this->channel}/{$this->what}";
    }

    public function highest(): int
    {
        return $this->what === 'bend' ? self::BENT : self::HIGHEST;
    }

    public function message(float $value): Message&Encodable
    {
        $whole = (int) round(max(0.0, min($this->highest(), $value)));

        return match (true) {
            \is_int($this->what) => new Controller($this->channel, $this->what, $whole),
            $this->what === 'bend' => new Bend($this->channel, $whole),
            default => new Pressure($this->channel, $whole),
        };
    }

    /** For people: "controller 7 (volume) on channel 1". */
    public function said(): string
    {
        $name = \is_int($this->what) && isset(self::NAMES[$this->what]) ? ' ('.self::NAMES[$this->what].')' : '';
        $what = match ($this->what) {
            'bend' => 'pitch bend',
            'pressure' => 'pressure',
            default => "controller {$this->what}{$name}",
        };

        return "{$what} on channel {$this->channel}";
    }
}
