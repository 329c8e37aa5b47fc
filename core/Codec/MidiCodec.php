<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Message\Bend;
use NimbleJunction\Core\Message\Clock;
use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Message\Encodable;
use NimbleJunction\Core\Message\Exclusive;
use NimbleJunction\Core\Message\KeyPressure;
use NimbleJunction\Core\Message\MachineControl;
use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\Pressure;
use NimbleJunction\Core\Message\Program;
use NimbleJunction\Core\Message\QuarterFrame;
use NimbleJunction\Core\Message\ShowControl;
use NimbleJunction\Core\Message\SongPosition;
use NimbleJunction\Core\Message\SongSelect;
use NimbleJunction\Core\Message\TimeCode;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\ChannelKind;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\FullFrame;
use NimbleJunction\Core\Wire\Midi\MachineControl as Machine;
use NimbleJunction\Core\Wire\Midi\MidiMessage;
use NimbleJunction\Core\Wire\Midi\RealTime;
use NimbleJunction\Core\Wire\Midi\ShowControl as Show;
use NimbleJunction\Core\Wire\Midi\StreamParser;
use NimbleJunction\Core\Wire\Midi\SystemCommon;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;

/** Between whole MIDI messages and messages with their fields. */
final readonly class MidiCodec implements Receiver, MessageWriter
{
    /** @param string $bytes one or more whole messages: a stream has been parted before */
    public function receive(string $bytes, string $from): array
    {
        $parser = new StreamParser();
        $messages = [];
        foreach ($parser->push($bytes) as $heard) {
            if ($heard->what instanceof Malformed) {
                throw $heard->what;
            }
            $messages[] = self::message($heard->what);
        }
        if ($parser->isWithinMessage()) {
            throw Malformed::at(\strlen($bytes), 'the message is not whole', 'MIDI 1.0, Data Format');
        }

        return $messages;
    }

    public function write(Message $message): string
    {
        return $message instanceof Encodable ? $message->encode() : '';
    }

    private static function message(MidiMessage $message): Message|Remark
    {
        return match (true) {
            $message instanceof ChannelMessage => self::onChannel($message),
            $message instanceof RealTime => self::realTime($message),
            $message instanceof SystemCommon => self::common($message),
            $message instanceof SystemExclusive => self::exclusive($message),
            default => new Remark('a MIDI message'),
        };
    }

    private static function onChannel(ChannelMessage $message): Message
    {
        $channel = $message->channel;

        return match ($message->kind) {
            ChannelKind::NoteOn => new Note($channel, $message->data1, $message->data2),
            ChannelKind::NoteOff => new Note($channel, $message->data1, 0),
            ChannelKind::PolyphonicPressure => new KeyPressure($channel, $message->data1, $message->data2),
            ChannelKind::ControlChange => new Controller($channel, $message->data1, $message->data2),
            ChannelKind::ProgramChange => new Program($channel, $message->data1),
            ChannelKind::ChannelPressure => new Pressure($channel, $message->data1),
            ChannelKind::PitchBend => new Bend($channel, $message->wideValue()),
        };
    }

    private static function realTime(RealTime $message): Message|Remark
    {
        return match ($message) {
            RealTime::ActiveSensing, RealTime::SystemReset => new Remark(strtolower($message->spelled())),
            default => new Clock($message),
        };
    }

    private static function common(SystemCommon $message): Message|Remark
    {
        return match ($message->status) {
            SystemCommon::SONG_POSITION => new SongPosition($message->value),
            SystemCommon::SONG_SELECT => new SongSelect($message->value),
            SystemCommon::QUARTER_FRAME => new QuarterFrame($message->value),
            default => new Remark('a tune request'),
        };
    }

    /**
     * What is universal and cannot be read as what it says it is stays what it is for certain: bytes.
     *
     * @throws Malformed show control that breaks its own rules
     */
    private static function exclusive(SystemExclusive $message): Message
    {
        if ($message->isRealTime(Show::SUB_ID)) {
            return new ShowControl(Show::decode($message));
        }
        try {
            return match (true) {
                $message->isRealTime(Machine::SUB_ID) => new MachineControl(Machine::decode($message)),
                $message->isRealTime(FullFrame::SUB_ID) => new TimeCode(Protocol::Midi, FullFrame::decode($message)->time, true),
                default => new Exclusive($message),
            };
        } catch (Malformed) {
            return new Exclusive($message);
        }
    }
}
