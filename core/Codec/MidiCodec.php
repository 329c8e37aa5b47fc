<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\MidiAddress;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\ChannelKind;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\MidiMessage;
use NimbleJunction\Core\Wire\Midi\RealTime;
use NimbleJunction\Core\Wire\Midi\ShowControl;
use NimbleJunction\Core\Wire\Midi\StreamParser;
use NimbleJunction\Core\Wire\Midi\SystemCommon;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;

/** Between whole MIDI messages and events, addressed as MidiAddress says. */
final readonly class MidiCodec implements Receiver, MessageWriter
{
    /** @param int $middleC octave number of note 60 */
    public function __construct(private int $middleC = 4)
    {
    }

    /** @param string $bytes one or more whole messages: a stream has been parted before */
    public function receive(string $bytes, string $from): array
    {
        $parser = new StreamParser();
        $events = [];
        foreach ($parser->push($bytes) as $heard) {
            if ($heard->what instanceof Malformed) {
                throw $heard->what;
            }
            $events[] = $this->event($heard->what);
        }
        if ($parser->isWithinMessage()) {
            throw Malformed::at(\strlen($bytes), 'the message is not whole', 'MIDI 1.0, Data Format');
        }

        return $events;
    }

    public function write(Message $message): string
    {
        $address = MidiAddress::parse($message->address);
        if ($address === null) {
            return '';
        }
        $value = (int) max(0, min($address->highest(), round($message->number(1) ?? 0)));

        return (match ($address->kind) {
            'note' => $value === 0 ? ChannelMessage::noteOff($address->channel, $address->number) : ChannelMessage::noteOn($address->channel, $address->number, $value),
            'controller' => ChannelMessage::controlChange($address->channel, $address->number, $value),
            'key-pressure' => new ChannelMessage(ChannelKind::PolyphonicPressure, $address->channel, $address->number, $value),
            'program' => new ChannelMessage(ChannelKind::ProgramChange, $address->channel, $value),
            'pressure' => new ChannelMessage(ChannelKind::ChannelPressure, $address->channel, $value),
            'bend' => ChannelMessage::pitchBend($address->channel, $value),
            'song-position' => SystemCommon::songPosition($value),
            'song' => SystemCommon::songSelect($value),
            'start' => RealTime::Start,
            'continue' => RealTime::Continue,
            'stop' => RealTime::Stop,
            default => RealTime::TimingClock,
        })->encode();
    }

    public function spelled(Message $message): string
    {
        $address = MidiAddress::parse($message->address);

        return $address === null ? $message->spelled() : $address->spelled($this->middleC).($message->arguments === [] ? '' : ', '.(int) round($message->number(1) ?? 0));
    }

    private function event(MidiMessage $message): Message|Remark
    {
        return match (true) {
            $message instanceof ChannelMessage => $this->onChannel($message),
            $message instanceof RealTime => match ($message) {
                RealTime::ActiveSensing, RealTime::SystemReset => new Remark(strtolower($message->spelled())),
                RealTime::TimingClock => $this->message('/clock'),
                default => $this->message('/'.strtolower($message->name)),
            },
            $message instanceof SystemCommon => match ($message->status) {
                SystemCommon::SONG_POSITION => $this->message('/song-position', $message->value),
                SystemCommon::SONG_SELECT => $this->message('/song', $message->value),
                SystemCommon::QUARTER_FRAME => new Remark('a quarter frame of time code'),
                default => new Remark('a tune request'),
            },
            $message instanceof SystemExclusive => $this->exclusive($message),
            default => new Remark('a MIDI message'),
        };
    }

    private function onChannel(ChannelMessage $message): Message
    {
        $channel = $message->channel;

        return match ($message->kind) {
            ChannelKind::NoteOn => $this->message("/note/{$channel}/{$message->data1}", $message->data2),
            ChannelKind::NoteOff => $this->message("/note/{$channel}/{$message->data1}", 0),
            ChannelKind::PolyphonicPressure => $this->message("/key-pressure/{$channel}/{$message->data1}", $message->data2),
            ChannelKind::ControlChange => $this->message("/controller/{$channel}/{$message->data1}", $message->data2),
            ChannelKind::ProgramChange => $this->message("/program/{$channel}", $message->data1),
            ChannelKind::ChannelPressure => $this->message("/pressure/{$channel}", $message->data1),
            ChannelKind::PitchBend => $this->message("/bend/{$channel}", $message->wideValue()),
        };
    }

    private function exclusive(SystemExclusive $message): Message|Remark
    {
        if (! $message->isRealTime(ShowControl::SUB_ID)) {
            return new Remark('System Exclusive of '.(\strlen($message->data) + 2).' bytes');
        }
        $control = ShowControl::decode($message);
        $arguments = array_values(array_filter([$control->cue, $control->list, $control->path], static fn(?string $one): bool => $one !== null));

        return new Message(
            Protocol::Midi,
            "/show-control/{$control->device}/".strtolower(str_replace('_', '-', $control->command->spelled())),
            $arguments,
            'show control: '.$control->spelled(),
        );
    }

    private function message(string $address, int ...$arguments): Message
    {
        $parsed = MidiAddress::parse($address);
        $value = $arguments[0] ?? null;
        $words = $parsed?->spelled($this->middleC) ?? $address;
        if ($value !== null) {
            $words .= match ($parsed?->kind) {
                'note' => $value === 0 ? ' ends' : ", velocity {$value}",
                default => " at {$value}",
            };
        }

        return new Message(Protocol::Midi, $address, array_values($arguments), $words);
    }
}
