<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\Layout\Notation as NotationInterface;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;

/** A piece of a MIDI stream, message by message. What is wrong stands among them, since a stream goes on behind it. */
final class Notation implements NotationInterface
{
    public function read(string $bytes): Part
    {
        $parser = new StreamParser();
        $heard = $parser->push($bytes);
        if ($parser->isWithinMessage()) {
            $heard[] = new Heard(
                Malformed::at(\strlen($bytes), 'the last message is not whole', 'MIDI 1.0, Data Format'),
                \strlen($bytes),
                0,
            );
        }
        $parts = [];
        foreach ($heard as $i => $one) {
            $parts[] = $one->what instanceof Malformed
                ? Part::group((string) $i, $one->offset, $one->length, [
                    Part::value('error', $one->offset, $one->length, $one->what->reason),
                    Part::value('offset', $one->offset, 0, $one->what->offset),
                    Part::value('clause', $one->offset, 0, $one->what->clause),
                ], $one->what->reason)
                : self::message((string) $i, $one->what, $one->offset, $one->length);
        }

        return Part::group('MIDI', 0, \strlen($bytes), [Part::list('messages', 0, \strlen($bytes), $parts)]);
    }

    public function write(array $fields): string
    {
        $messages = $fields['messages'] ?? null;
        if (! \is_array($messages)) {
            throw Unwritable::field('messages', $messages, 'use a list of messages');
        }
        $bytes = '';
        foreach ($messages as $i => $message) {
            $bytes .= FieldReader::message(\is_array($message) ? $message : [], "messages/{$i}")->encode();
        }

        return $bytes;
    }

    private static function message(string $name, MidiMessage $message, int $offset, int $length): Part
    {
        return match (true) {
            $message instanceof ChannelMessage => self::channel($name, $message, $offset, $length),
            $message instanceof SystemExclusive => self::exclusive($name, $message, $offset, $length),
            $message instanceof SystemCommon => self::common($name, $message, $offset, $length),
            default => Part::group(
                $name,
                $offset,
                $length,
                [Part::value('message', $offset, $length, $message instanceof RealTime ? $message->spelled() : '')],
            ),
        };
    }

    private static function channel(string $name, ChannelMessage $message, int $offset, int $length): Part
    {
        $dataBytes = $message->kind->dataBytes();
        // Under running status there is no status byte.
        $status = $length > $dataBytes ? 1 : 0;
        $parts = [
            Part::value('message', $offset, $status, $message->kind->spelled(), $status === 0 ? 'running status' : ''),
            Part::value('channel', $offset, $status, $message->channel),
        ];
        if ($message->kind === ChannelKind::PitchBend) {
            $parts[] = Part::value(
                'value',
                $offset + $status,
                2,
                $message->wideValue(),
                'centre '.ChannelMessage::PITCH_BEND_CENTRE,
            );
        } else {
            foreach ($message->kind->fields() as $i => $field) {
                $parts[] = Part::value(
                    $field,
                    $offset + $status + $i,
                    1,
                    $i === 0 ? $message->data1 : $message->data2,
                    $i === 0 ? (string) $message->mode() : '',
                );
            }
        }
        $velocityZero = $message->kind === ChannelKind::NoteOn && $message->endsNote() ? 'velocity 0: a note-off' : '';

        return Part::group($name, $offset, $length, $parts, $velocityZero);
    }

    private static function common(string $name, SystemCommon $message, int $offset, int $length): Part
    {
        [$word, $fields] = match ($message->status) {
            SystemCommon::QUARTER_FRAME => [
                'MTC Quarter Frame',
                [['piece', 1, 1, $message->value >> 4 & 7], ['nibble', 1, 1, $message->value & 15]],
            ],
            SystemCommon::SONG_POSITION => ['Song Position Pointer', [['position', 1, 2, $message->value]]],
            SystemCommon::SONG_SELECT => ['Song Select', [['song', 1, 1, $message->value]]],
            default => ['Tune Request', []],
        };

        return Part::group($name, $offset, $length, [
            Part::value('message', $offset, 1, $word),
            ...array_map(
                static fn(array $field): Part => Part::value($field[0], $offset + $field[1], $field[2], $field[3]),
                $fields,
            ),
        ]);
    }

    private static function exclusive(string $name, SystemExclusive $message, int $offset, int $length): Part
    {
        try {
            $known = match (true) {
                $message->isRealTime(ShowControl::SUB_ID) => self::showControl(
                    $name,
                    ShowControl::decode($message),
                    $offset,
                    $length,
                ),
                $message->isRealTime(MachineControl::SUB_ID) => self::machineControl(
                    $name,
                    MachineControl::decode($message),
                    $offset,
                    $length,
                ),
                $message->isRealTime(FullFrame::SUB_ID) => self::fullFrame($name, FullFrame::decode($message), $offset, $length),
                default => null,
            };
            $why = '';
        } catch (Malformed $malformed) {
            $known = null;
            $why = $malformed->getMessage();
        }
        // Shown by its meaning only if that says all of its bytes.
        if ($known !== null && self::says($known, $message)) {
            return $known;
        }

        return Part::group($name, $offset, $length, [
            Part::value('message', $offset, 1, 'System Exclusive'),
            Part::value('data', $offset + 1, max(0, $length - 2), bin2hex($message->data)),
        ], $why);
    }

    private static function says(Part $part, SystemExclusive $message): bool
    {
        $plain = $part->plain();

        return \is_array($plain) && FieldReader::message($plain, $part->name)->encode() === $message->encode();
    }

    private static function showControl(string $name, ShowControl $show, int $offset, int $length): Part
    {
        $parts = [
            Part::value('message', $offset, 1, 'MIDI Show Control'),
            Part::value('device_ID', $offset + 2, 1, $show->device, $show->device === ShowControl::EVERYONE ? 'everyone' : ''),
            Part::value('command_format', $offset + 4, 1, $show->format, (string) ShowFormat::name($show->format)),
            Part::value('command', $offset + 5, 1, $show->command->spelled()),
        ];
        $at = $offset + 6;
        if ($show->control !== null) {
            array_push(
                $parts,
                Part::value('control', $at, 2, $show->control),
                Part::value('value', $at + 2, 2, (int) $show->value),
            );
            $at += 4;
        }
        if ($show->macro !== null) {
            $parts[] = Part::value('macro', $at, 1, $show->macro);
        }
        if ($show->time !== null) {
            $parts[] = self::standardTime('time', $show->time, $at);
            $at += 5;
        }
        foreach (['Q_number' => $show->cue, 'Q_list' => $show->list, 'Q_path' => $show->path] as $field => $string) {
            if ($string !== null) {
                $parts[] = Part::value($field, $at, \strlen($string), $string);
                $at += \strlen($string) + 1;
            }
        }

        return Part::group($name, $offset, $length, $parts, $show->spelled());
    }

    private static function machineControl(string $name, MachineControl $machine, int $offset, int $length): Part
    {
        return Part::group($name, $offset, $length, [
            Part::value('message', $offset, 1, 'MIDI Machine Control'),
            Part::value('device_ID', $offset + 2, 1, $machine->device),
            Part::value('command', $offset + 4, 1, $machine->command->spelled()),
            ...($machine->target === null ? [] : [self::standardTime('target', $machine->target, $offset + 7)]),
        ]);
    }

    private static function fullFrame(string $name, FullFrame $full, int $offset, int $length): Part
    {
        $time = $full->time;

        return Part::group($name, $offset, $length, [
            Part::value('message', $offset, 1, 'MTC Full Message'),
            Part::value('device_ID', $offset + 2, 1, $full->device),
            self::standardTime(
                'time',
                new StandardTime($time->hours, $time->minutes, $time->seconds, $time->frames, 0, $time->rate),
                $offset + 5,
            ),
        ], $time->spelled());
    }

    private static function standardTime(string $name, StandardTime $time, int $offset): Part
    {
        return Part::group($name, $offset, 5, [
            Part::value('rate', $offset, 1, $time->rate->spelled()),
            Part::value('hours', $offset, 1, $time->hours),
            Part::value('minutes', $offset + 1, 1, $time->minutes),
            Part::value('seconds', $offset + 2, 1, $time->seconds),
            Part::value('frames', $offset + 3, 1, $time->frames),
            Part::value('fractions', $offset + 4, 1, $time->fractions),
        ], $time->spelled());
    }
}
