<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Wire\Midi\RealTime;

/**
 * How a MIDI message is named as an event: its kind, its channel (1 to 16) and
 * its number are the parts of the address, its value the first argument.
 *
 *   /controller-14/1/7 value (0 to 16383)    /rpn/1/0 value    /nrpn/1/300 value (0 to 16383)
 *   /note/1/48 velocity (0: it ends)    /controller/1/7 value      /key-pressure/1/48 value
 *   /program/1 number    /pressure/1 value    /bend/1 value (0 to 16383)
 *   /song-position value    /song number    /clock  /start  /continue  /stop
 */
final readonly class MidiAddress
{
    public const RULE = 'Use /note/CHANNEL/NUMBER, /controller/CHANNEL/NUMBER, /key-pressure/CHANNEL/NUMBER, /controller-14/CHANNEL/NUMBER, /rpn/CHANNEL/NUMBER, /nrpn/CHANNEL/NUMBER, /program/CHANNEL, /pressure/CHANNEL or /bend/CHANNEL with channels from 1 to 16 and numbers from 0 to 127; or /song-position, /song, /clock, /start, /continue or /stop.';

    public const NUMBERED = ['note', 'controller', 'key-pressure', 'controller-14', 'rpn', 'nrpn'];
    public const ON_CHANNEL = ['program', 'pressure', 'bend'];
    private const WIDE = ['bend', 'song-position', 'controller-14', 'rpn', 'nrpn'];
    private const MOST_NUMBERS = ['controller-14' => 31, 'rpn' => 16383, 'nrpn' => 16383];
    public const SYSTEM = ['song-position', 'song', 'clock', 'start', 'continue', 'stop'];

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
        $number = self::whole($parts[3] ?? '0', self::MOST_NUMBERS[$kind] ?? 127);

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
        return \in_array($this->kind, self::WIDE, true) ? 16383 : 127;
    }

    /** @param int $middleC octave number of note 60: makers differ */
    public function spelled(int $middleC = 4): string
    {
        $channel = $this->channel === 0 ? '' : " on channel {$this->channel}";

        return match ($this->kind) {
            'note' => Pitch::spelled($this->number, $middleC).$channel,
            'key-pressure' => 'pressure of '.Pitch::spelled($this->number, $middleC).$channel,
            'controller' => "controller {$this->number}{$channel}",
            'controller-14' => "controller {$this->number}{$channel} in 14 bits",
            'rpn', 'nrpn' => strtoupper($this->kind)." {$this->number}{$channel}",
            'bend' => "pitch bend{$channel}",
            default => str_replace('-', ' ', $this->kind).$channel,
        };
    }

    /** The message of this address with this value, held at the highest that it can have. */
    public function message(
        int|float $value,
    ): Note|Controller|KeyPressure|Program|Pressure|Bend|NumberedParameter|SongPosition|SongSelect|Clock {
        $value = (int) max(0, min($this->highest(), round($value)));

        return match ($this->kind) {
            'note' => new Note($this->channel, $this->number, $value),
            'controller' => new Controller($this->channel, $this->number, $value),
            'controller-14' => new Controller($this->channel, $this->number, $value, 14),
            'rpn' => new NumberedParameter(true, $this->channel, $this->number, $value),
            'nrpn' => new NumberedParameter(false, $this->channel, $this->number, $value),
            'key-pressure' => new KeyPressure($this->channel, $this->number, $value),
            'program' => new Program($this->channel, $value),
            'pressure' => new Pressure($this->channel, $value),
            'bend' => new Bend($this->channel, $value),
            'song-position' => new SongPosition($value),
            'song' => new SongSelect($value),
            'start' => new Clock(RealTime::Start),
            'continue' => new Clock(RealTime::Continue),
            'stop' => new Clock(RealTime::Stop),
            default => new Clock(RealTime::TimingClock),
        };
    }

    private static function whole(string $text, int $highest): ?int
    {
        return preg_match('/^(0|[1-9]\d{0,4})$/D', $text) === 1 && (int) $text <= $highest ? (int) $text : null;
    }
}
