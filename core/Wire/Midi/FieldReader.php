<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Layout\Plain;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\TimeCode;

/** From the fields of one message, as the notation has them, to the message. */
final readonly class FieldReader
{
    /** @param array<mixed> $fields */
    private function __construct(private array $fields, private string $path)
    {
    }

    /**
     * @param array<mixed> $fields
     *
     * @throws Unwritable
     */
    public static function message(array $fields, string $path): MidiMessage
    {
        $reader = new self($fields, $path);
        $word = $fields['message'] ?? null;
        foreach (ChannelKind::cases() as $kind) {
            if ($kind->spelled() === $word) {
                return $reader->channel($kind);
            }
        }
        foreach (RealTime::cases() as $realTime) {
            if ($realTime->spelled() === $word) {
                $reader->only('message');

                return $realTime;
            }
        }

        return match ($word) {
            'MTC Quarter Frame' => $reader->only('message', 'piece', 'nibble')->quarterFrame(),
            'Song Position Pointer' => SystemCommon::songPosition(
                $reader->only('message', 'position')->number('position', 16383),
            ),
            'Song Select' => SystemCommon::songSelect($reader->only('message', 'song')->number('song', 127)),
            'Tune Request' => new SystemCommon(SystemCommon::TUNE_REQUEST),
            'System Exclusive' => new SystemExclusive($reader->only('message', 'data')->exclusive()),
            'MIDI Show Control' => $reader->showControl(),
            'MIDI Machine Control' => $reader->only('message', 'device_ID', 'command', 'target')->machineControl(),
            'MTC Full Message' => $reader->only('message', 'device_ID', 'time')->fullFrame(),
            default => throw Unwritable::field(
                "{$path}/message",
                $word,
                'use the name of a MIDI message, such as "Note On", "Control Change", "Timing Clock", "System Exclusive" or "MIDI Show Control"',
            ),
        };
    }

    private function channel(ChannelKind $kind): ChannelMessage
    {
        $this->only('message', 'channel', ...$kind->fields());
        $channel = $this->number('channel', 16, 1);
        if ($kind === ChannelKind::PitchBend) {
            return ChannelMessage::pitchBend($channel, $this->number('value', 16383));
        }
        $data = array_map(fn(string $field): int => $this->number($field, 127), $kind->fields());

        return new ChannelMessage($kind, $channel, $data[0] ?? 0, $data[1] ?? 0);
    }

    private function quarterFrame(): SystemCommon
    {
        return SystemCommon::quarterFrame($this->number('piece', 7), $this->number('nibble', 15));
    }

    private function exclusive(): string
    {
        $data = $this->fields['data'] ?? null;
        if (! \is_string($data) || \strlen($data) % 2 !== 0 || preg_match('/^([0-7][0-9a-fA-F])*$/D', $data) !== 1) {
            throw Unwritable::field(
                "{$this->path}/data",
                $data,
                'use bytes of seven bits in hexadecimal, two digits each, without F0 and F7',
            );
        }

        return (string) hex2bin($data);
    }

    private function showControl(): SystemExclusive
    {
        $command = null;
        foreach (ShowCommand::cases() as $one) {
            $command = $one->spelled() === ($this->fields['command'] ?? null) ? $one : $command;
        }
        if ($command === null) {
            throw Unwritable::field(
                "{$this->path}/command",
                $this->fields['command'] ?? null,
                'use one of '.implode(', ', array_map(static fn(ShowCommand $one): string => $one->spelled(), ShowCommand::cases())),
            );
        }
        $own = match ($command) {
            ShowCommand::Set => ['control', 'value', 'time'],
            ShowCommand::Fire => ['macro'],
            default => [...($command->hasTime() ? ['time'] : []), ...$command->strings()],
        };
        $this->only('message', 'device_ID', 'command_format', 'command', ...$own);
        $strings = $command->strings();

        return (new ShowControl(
            $command,
            $this->number('device_ID', 127),
            $this->number('command_format', 127),
            $this->cue('Q_number', $strings),
            $this->cue('Q_list', $strings),
            $this->cue('Q_path', $strings),
            $command->hasTime() || isset($this->fields['time']) ? $this->standardTime('time') : null,
            $command === ShowCommand::Set ? $this->number('control', 16383) : null,
            $command === ShowCommand::Set ? $this->number('value', 16383) : null,
            $command === ShowCommand::Fire ? $this->number('macro', 127) : null,
        ))->message();
    }

    private function machineControl(): SystemExclusive
    {
        foreach (MachineCommand::cases() as $command) {
            if ($command->spelled() === ($this->fields['command'] ?? null)) {
                return (new MachineControl(
                    $command,
                    $this->number('device_ID', 127),
                    $command === MachineCommand::Locate ? $this->standardTime('target') : null,
                ))->message();
            }
        }

        throw Unwritable::field(
            "{$this->path}/command",
            $this->fields['command'] ?? null,
            'use one of '.implode(', ', array_map(static fn(MachineCommand $one): string => $one->spelled(), MachineCommand::cases())),
        );
    }

    private function fullFrame(): SystemExclusive
    {
        $time = $this->standardTime('time');
        try {
            return (new FullFrame(
                TimeCode::of($time->rate, $time->hours, $time->minutes, $time->seconds, $time->frames),
                $this->number('device_ID', 127),
            ))->message();
        } catch (OutOfRange $outside) {
            throw Unwritable::field("{$this->path}/time", $this->fields['time'] ?? null, $outside->getMessage());
        }
    }

    private function standardTime(string $name): StandardTime
    {
        $fields = $this->fields[$name] ?? null;
        if (! \is_array($fields)) {
            throw Unwritable::field("{$this->path}/{$name}", $fields, 'use rate, hours, minutes, seconds, frames and fractions');
        }
        $inside = (new self($fields, "{$this->path}/{$name}"))->only(
            'rate',
            'hours',
            'minutes',
            'seconds',
            'frames',
            'fractions',
        );
        foreach (FrameRate::cases() as $rate) {
            if ($rate->spelled() === ($fields['rate'] ?? null)) {
                return new StandardTime(
                    $inside->number('hours', 23),
                    $inside->number('minutes', 59),
                    $inside->number('seconds', 59),
                    $inside->number('frames', $rate->counted() - 1),
                    $inside->number('fractions', 99),
                    $rate,
                );
            }
        }

        throw Unwritable::field(
            "{$this->path}/{$name}/rate",
            $fields['rate'] ?? null,
            'use one of '.implode(', ', array_map(static fn(FrameRate $rate): string => $rate->spelled(), FrameRate::cases())),
        );
    }

    /** @param list<string> $strings that the command has */
    private function cue(string $name, array $strings): ?string
    {
        $value = $this->fields[$name] ?? null;
        $place = array_search($name, $strings, true);
        if ($value === null || $place === false) {
            return null;
        }
        if (! \is_string($value) || preg_match('/^[0-9.]*[0-9][0-9.]*$/D', $value) !== 1) {
            throw Unwritable::field("{$this->path}/{$name}", $value, 'use digits and points, in a text');
        }
        $before = $strings[$place - 1] ?? null;
        if ($before !== null && ! isset($this->fields[$before])) {
            throw Unwritable::field("{$this->path}/{$before}", null, "it is needed where {$name} is given");
        }

        return $value;
    }

    private function number(string $name, int $highest, int $lowest = 0): int
    {
        return Plain::whole($this->fields[$name] ?? null, "{$this->path}/{$name}", $lowest, $highest);
    }

    private function only(string ...$known): self
    {
        foreach (array_keys($this->fields) as $name) {
            if (! \in_array($name, $known, true)) {
                throw Unwritable::unknown("{$this->path}/{$name}", array_values($known));
            }
        }

        return $this;
    }
}
