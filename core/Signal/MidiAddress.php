<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/**
 * How a MIDI message is named as an event: its kind, its channel (1 to 16) and
 * its number are the parts of the address, its value the first argument.
 *
 *   /note/1/48 velocity (0: it ends)    /controller/1/7 value      /key-pressure/1/48 value
 *   /program/1 number    /pressure/1 value    /bend/1 value (0 to 16383)
 *   /song-position value    /song number    /clock  /start  /continue  /stop
 */
final readonly class MidiAddress
{
    public const RULE = 'Use /note/CHANNEL/NUMBER, /controller/CHANNEL/NUMBER, /key-pressure/CHANNEL/NUMBER, /program/CHANNEL, /pressure/CHANNEL or /bend/CHANNEL with channels from 1 to 16 and numbers from 0 to 127; or /song-position, /song, /clock, /start, /continue or /stop.';

    public const CLOCK = '/clock';
    public const NUMBERED = ['note', 'controller', 'key-pressure'];
    public const ON_CHANNEL = ['program', 'pressure', 'bend'];
    public const SYSTEM = ['song-position', 'song', 'clock', 'start', 'continue', 'stop'];
    private const NAMES = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];

    /** @param int $channel 1 to 16; 0 for none */
    private function __construct(public string $kind, public int $channel = 0, public int $number = 0)
    {
    }

    public static function parse(string $address): ?self
    {
        $parts = explode('/', $address);
        $kind = $parts[1] ?? '';
        $count = \count($parts) - 1;
        $channel = self::whole($parts[2] ?? '0', 16);
        $number = self::whole($parts[3] ?? '0', 127);

        return $channel !== null && $number !== null && $parts[0] === '' && match (true) {
            \in_array($kind, self::NUMBERED, true) => $count === 3 && $channel > 0,
            \in_array($kind, self::ON_CHANNEL, true) => $count === 2 && $channel > 0,
            \in_array($kind, self::SYSTEM, true) => $count === 1,
            default => false,
        } ? new self($kind, $channel, $number) : null;
    }

    public static function canBeSent(string $address): bool
    {
        return self::parse($address) !== null;
    }

    /** The highest value that its argument can have. */
    public function highest(): int
    {
        return $this->kind === 'bend' || $this->kind === 'song-position' ? 16383 : 127;
    }

    /** @param int $middleC octave number of note 60: makers differ */
    public function spelled(int $middleC = 4): string
    {
        $channel = $this->channel === 0 ? '' : " on channel {$this->channel}";

        return match ($this->kind) {
            'note' => "note {$this->number} (".self::note($this->number, $middleC)."){$channel}",
            'key-pressure' => "pressure of note {$this->number} (".self::note($this->number, $middleC)."){$channel}",
            'controller' => "controller {$this->number}{$channel}",
            'bend' => "pitch bend{$channel}",
            default => str_replace('-', ' ', $this->kind).$channel,
        };
    }

    /**
     * A note's name; the number always stands beside it, as the octave depends on the maker.
     *
     * @param int $number 0 to 127
     */
    public static function note(int $number, int $middleC): string
    {
        return self::NAMES[$number % 12].(intdiv($number, 12) - 5 + $middleC);
    }

    private static function whole(string $text, int $highest): ?int
    {
        return preg_match('/^(0|[1-9]\d{0,2})$/D', $text) === 1 && (int) $text <= $highest ? (int) $text : null;
    }
}
