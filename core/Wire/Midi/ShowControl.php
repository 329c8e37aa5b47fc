<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * A MIDI Show Control message: F0 7F device 02 format command data F7. It
 * names the cue, so that it means the same wherever the other end stands.
 *
 * Source: MIDI Show Control 1.1, RP-002/RP-014 (from memory).
 */
final readonly class ShowControl
{
    public const SUB_ID = 0x02;
    public const EVERYONE = 127;
    public const FIRST_GROUP = 112;
    public const LONGEST = 128;
    public const HIGHEST = 16383;
    private const CLAUSE = 'MIDI Show Control 1.1';

    /**
     * @param int $device 0–111 one device, 112–126 a group, 127 everyone
     * @param string|null $cue digits and points
     * @param StandardTime|null $time of TIMED_GO and SET_CLOCK; of SET where given
     * @param int|null $control 0–16383, of SET
     * @param int|null $value 0–16383, of SET
     * @param int|null $macro 0–127, of FIRE
     */
    public function __construct(
        public ShowCommand $command,
        public int $device = self::EVERYONE,
        public int $format = ShowFormat::LIGHTING,
        public ?string $cue = null,
        public ?string $list = null,
        public ?string $path = null,
        public ?StandardTime $time = null,
        public ?int $control = null,
        public ?int $value = null,
        public ?int $macro = null,
    ) {
    }

    /** @throws Malformed offsets count from the F0 */
    public static function decode(SystemExclusive $message): self
    {
        $data = $message->data;
        if (\strlen($data) + 2 > self::LONGEST) {
            throw Malformed::outside('Length', \strlen($data) + 2, 7, self::LONGEST, self::LONGEST, self::CLAUSE);
        }
        if (\strlen($data) < 5) {
            throw Malformed::tooShort('A show control message', 7, \strlen($data) + 2, self::CLAUSE);
        }
        $command = ShowCommand::tryFrom(\ord($data[4]));
        if ($command === null) {
            throw Malformed::at(5, \sprintf('command 0x%02X is not one of version 1.1', \ord($data[4])), self::CLAUSE);
        }
        if (ShowFormat::name(\ord($data[3])) === null) {
            throw Malformed::at(4, \sprintf('command format 0x%02X is reserved', \ord($data[3])), self::CLAUSE);
        }
        [$device, $format, $rest] = [\ord($data[1]), \ord($data[3]), substr($data, 5)];
        if ($command === ShowCommand::Set) {
            return self::decodeSet($device, $format, $rest);
        }
        if ($command === ShowCommand::Fire) {
            return \strlen($rest) === 1 ? new self($command, $device, $format, macro: \ord($rest)) : throw Malformed::at(
                6,
                'FIRE carries one byte: the macro',
                self::CLAUSE,
            );
        }
        $time = $command->hasTime() ? StandardTime::read($rest, 6) : null;
        $at = $time === null ? 0 : 5;
        $strings = self::strings($command, substr($rest, $at), 6 + $at);

        return new self(
            $command,
            $device,
            $format,
            $strings['Q_number'] ?? null,
            $strings['Q_list'] ?? null,
            $strings['Q_path'] ?? null,
            $time,
        );
    }

    /** @throws OutOfRange something that cannot be said */
    public function message(): SystemExclusive
    {
        OutOfRange::check('Device ID', $this->device, 0, 127);
        $two = static fn(string $what, int $number): string => \chr(OutOfRange::check($what, $number, 0, 16383) & 127)
            .\chr($number >> 7);
        $data = match ($this->command) {
            ShowCommand::Set => $two('Control', $this->control ?? 0).$two('Value', $this->value ?? 0).($this->time?->encode() ?? ''),
            ShowCommand::Fire => \chr(OutOfRange::check('Macro', $this->macro ?? 0, 0, 127)),
            default => ($this->command->hasTime() ? ($this->time ?? new StandardTime())->encode() : '').$this->strungTogether(),
        };

        return new SystemExclusive("\x7F".\chr($this->device)."\x02".\chr($this->format).\chr($this->command->value).$data);
    }

    /** @param list<int> $groups 112 to 126: those that this device belongs to */
    public function isFor(int $device, array $groups = []): bool
    {
        return $this->device === self::EVERYONE || $this->device === $device || \in_array($this->device, $groups, true);
    }

    public function spelled(): string
    {
        $to = match (true) {
            $this->device === self::EVERYONE => 'everyone',
            $this->device >= self::FIRST_GROUP => 'group '.($this->device - self::FIRST_GROUP + 1),
            default => "device {$this->device}",
        };
        $words = [$this->command->spelled()];
        foreach ([
            'cue' => $this->cue,
            'list' => $this->list,
            'path' => $this->path,
            'at' => $this->time?->spelled(),
            'control' => $this->control,
            'to' => $this->value,
            'macro' => $this->macro,
        ] as $name => $value) {
            if ($value !== null) {
                $words[] = "{$name} {$value}";
            }
        }

        return implode(' ', $words).', '.(ShowFormat::name($this->format) ?? 'a reserved format').", {$to}";
    }

    private function strungTogether(): string
    {
        $strings = [];
        foreach ($this->command->strings() as $name) {
            $string = ['Q_number' => $this->cue, 'Q_list' => $this->list, 'Q_path' => $this->path][$name];
            if ($string === null) {
                break;
            }
            $strings[] = $string;
        }

        return implode("\0", $strings);
    }

    /** @throws Malformed */
    private static function decodeSet(int $device, int $format, string $rest): self
    {
        if (\strlen($rest) !== 4 && \strlen($rest) !== 9) {
            throw Malformed::at(
                6,
                'SET carries a control and a value of two bytes each, and a time of five where there is one',
                self::CLAUSE,
            );
        }
        $time = \strlen($rest) === 9 ? StandardTime::read(substr($rest, 4), 10) : null;

        return new self(
            ShowCommand::Set,
            $device,
            $format,
            time: $time,
            control: \ord($rest[0]) | \ord($rest[1]) << 7,
            value: \ord($rest[2]) | \ord($rest[3]) << 7,
        );
    }

    /**
     * @return array<string, string> by name
     *
     * @throws Malformed
     */
    private static function strings(ShowCommand $command, string $rest, int $offset): array
    {
        $names = $command->strings();
        if ($rest === '') {
            return $command->needsString()
                ? throw Malformed::at($offset, "{$command->spelled()} needs {$names[0]}", self::CLAUSE)
                : [];
        }
        $strings = explode("\0", $rest);
        if (\count($strings) > \count($names)) {
            throw Malformed::at(
                $offset,
                "{$command->spelled()} carries at most ".\count($names).' of cue number, list and path; '.\count($strings).' are there',
                self::CLAUSE,
            );
        }
        $named = [];
        foreach ($strings as $i => $string) {
            if (preg_match('/^[0-9.]*[0-9][0-9.]*$/D', $string) !== 1) {
                throw Malformed::at(
                    $offset,
                    "{$names[$i]} is ".($string === '' ? 'empty' : 'not made of digits and points'),
                    self::CLAUSE,
                );
            }
            $named[$names[$i]] = $string;
            $offset += \strlen($string) + 1;
        }

        return $named;
    }
}
