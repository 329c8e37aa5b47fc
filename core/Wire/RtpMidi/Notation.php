<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Layout\Notation as NotationInterface;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Plain;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\VariableLength;

/** RTP packets with MIDI, field by field, with their recovery journal. */
final readonly class Notation implements NotationInterface
{
    /** @param \Closure(string): string $describe a MIDI command in words */
    public function __construct(private \Closure $describe)
    {
    }

    public function read(string $bytes): Part
    {
        $packet = Packet::decode($bytes);
        [$at, $end] = Packet::payload($bytes);
        [$flags, $length, $list] = Packet::section($bytes, $at, $end);
        $commands = [];
        foreach (MidiList::read($bytes, $list, $list + $length, ($flags & 0x20) !== 0) as $i => [$command, $offset, $size]) {
            $commands[] = Part::group((string) $i, $offset, $size, [
                Part::value('delta time', $offset, 0, $command->delta),
                Part::value('command', $offset, $size, bin2hex($command->bytes)),
            ], ($this->describe)($command->bytes));
        }
        $parts = [
            Part::group('RTP', 0, $at, self::rtp()->parts(substr($bytes, 0, 12))),
            Part::group('MIDI command section', $at, $list + $length - $at, [
                Part::value('B', $at, 1, $flags >> 7 & 1, 'LEN has '.(($flags & 0x80) === 0 ? 'four' : 'twelve').' bits'),
                Part::value(
                    'J',
                    $at,
                    1,
                    $flags >> 6 & 1,
                    ($flags & 0x40) === 0 ? 'no recovery journal' : 'a recovery journal follows',
                ),
                Part::value(
                    'Z',
                    $at,
                    1,
                    $flags >> 5 & 1,
                    ($flags & 0x20) === 0 ? 'no delta time in front' : 'a delta time stands in front',
                ),
                Part::value('P', $at, 1, $flags >> 4 & 1),
                Part::value('LEN', $at, $list - $at, $length),
                Part::list('MIDI list', $list, $length, $commands),
            ]),
        ];
        if ($packet->journal !== null) {
            $parts[] = self::journal($packet->journal, $list + $length, $end - $list - $length);
        }

        return Part::group('RTP-MIDI', 0, \strlen($bytes), $parts);
    }

    public function write(array $fields): string
    {
        foreach (array_keys($fields) as $name) {
            if (! \in_array($name, ['RTP', 'MIDI command section', 'recovery journal'], true)) {
                throw Unwritable::unknown((string) $name, ['RTP', 'MIDI command section', 'recovery journal']);
            }
        }
        $header = self::rtp()->writePlain(self::part($fields, 'RTP'));
        $section = self::part($fields, 'MIDI command section');
        $commands = [];
        $list = $section['MIDI list'] ?? null;
        if (! \is_array($list)) {
            throw Unwritable::field('MIDI command section/MIDI list', $list, 'use a list of commands');
        }
        foreach ($list as $i => $entry) {
            $path = "MIDI command section/MIDI list/{$i}";
            $delta = \is_array($entry) ? $entry['delta time'] ?? 0 : null;
            if (! \is_array($entry) || ! \is_int($delta) || $delta < 0 || $delta > VariableLength::HIGHEST) {
                throw Unwritable::field("{$path}/delta time", $delta, 'use a whole number from 0 to '.VariableLength::HIGHEST);
            }
            $commands[] = new Command(Plain::bytes($entry['command'] ?? null, "{$path}/command"), $delta);
        }
        $journal = isset($fields['recovery journal']) ? self::readJournal(self::part($fields, 'recovery journal')) : null;
        $values = self::rtp()->read($header);
        $packet = new Packet(
            $values->int('sequence number'),
            $values->int('timestamp'),
            $values->int('SSRC'),
            $commands,
            $journal,
            ($section['P'] ?? 0) === 1,
            $values->int('M and PT') & 0x7F,
            $values->int('M and PT') >= 0x80,
        );
        $bytes = $packet->encode();
        try {
            Packet::decode($bytes);
        } catch (Malformed $malformed) {
            throw Unwritable::field('MIDI command section', null, $malformed->getMessage());
        }

        return $bytes;
    }

    private static function rtp(): Layout
    {
        return new Layout(
            'RTP',
            'RFC 3550, 5.1',
            12,
            Field::number('V, P, X and CC', 1, 0x80)->meaning(static fn(int $byte): string => 'version '.($byte >> 6)),
            Field::number('M and PT', 1, 0x80 | Packet::PAYLOAD_TYPE)->meaning(
                static fn(int $byte): string => 'payload type '.($byte & 127).($byte > 127 ? ', marked' : ''),
            ),
            Field::number('sequence number', 2),
            Field::number('timestamp', 4),
            Field::number('SSRC', 4),
        );
    }

    private static function journal(Journal $journal, int $offset, int $length): Part
    {
        $parts = [
            Part::value('S', $offset, 1, (int) $journal->single),
            Part::value('H', $offset, 1, (int) $journal->enhanced),
            Part::value('Checkpoint Packet Seqnum', $offset + 1, 2, $journal->checkpoint),
        ];
        $at = $offset + 3;
        if ($journal->system !== '') {
            $parts[] = Part::value('system journal', $at, \strlen($journal->system), bin2hex($journal->system));
            $at += \strlen($journal->system);
        }
        $channels = [];
        $channelsAt = $at;
        foreach ($journal->channels as $i => $channel) {
            $size = \strlen($channel->encode());
            $chapterAt = $at + 3;
            $chapters = [];
            foreach ($channel->chapters as $letter => $chapter) {
                $chapters[] = Part::value("chapter {$letter}", $chapterAt, \strlen($chapter), bin2hex($chapter));
                $chapterAt += \strlen($chapter);
            }
            $channels[] = Part::group((string) $i, $at, $size, [
                Part::value('S', $at, 1, (int) $channel->single),
                Part::value('CHAN', $at, 1, $channel->channel - 1, "channel {$channel->channel}"),
                Part::value('H', $at, 1, (int) $channel->enhanced),
                ...$chapters,
            ]);
            $at += $size;
        }
        if ($channels !== []) {
            $parts[] = Part::list('channel journals', $channelsAt, $at - $channelsAt, $channels);
        }

        return Part::group('recovery journal', $offset, $length, $parts);
    }

    /** @param array<mixed> $fields */
    private static function readJournal(array $fields): Journal
    {
        $channels = [];
        foreach (\is_array($fields['channel journals'] ?? null) ? $fields['channel journals'] : [] as $i => $entry) {
            $path = "recovery journal/channel journals/{$i}";
            $channel = \is_array($entry) ? $entry['CHAN'] ?? null : null;
            if (! \is_array($entry) || ! \is_int($channel) || $channel < 0 || $channel > 15) {
                throw Unwritable::field("{$path}/CHAN", $channel, 'use a whole number from 0 to 15');
            }
            $chapters = [];
            foreach (ChannelJournal::CHAPTERS as $letter) {
                if (isset($entry["chapter {$letter}"])) {
                    $chapters[$letter] = Plain::bytes($entry["chapter {$letter}"], "{$path}/chapter {$letter}");
                }
            }
            $channels[] = new ChannelJournal(($entry['S'] ?? 0) === 1, $channel + 1, ($entry['H'] ?? 0) === 1, $chapters);
        }
        $checkpoint = Plain::whole(
            $fields['Checkpoint Packet Seqnum'] ?? null,
            'recovery journal/Checkpoint Packet Seqnum',
            0,
            65535,
        );
        $system = isset($fields['system journal']) ? Plain::bytes(
            $fields['system journal'],
            'recovery journal/system journal',
        ) : '';

        return new Journal(($fields['S'] ?? 0) === 1, ($fields['H'] ?? 0) === 1, $checkpoint, $system, $channels);
    }

    /**
     * @param array<mixed> $fields
     *
     * @return array<mixed>
     */
    private static function part(array $fields, string $name): array
    {
        $part = $fields[$name] ?? null;

        return \is_array($part) ? $part : throw Unwritable::field($name, $part, 'an object is needed here');
    }
}
