<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/**
 * What a recovery journal says, as the MIDI commands that would have made it so: program and bank, controllers, bend, pressure,
 * and of the system the song, whether it runs and where, and the time code. Notes are another matter (ChannelJournal::notes).
 * Not read: parameters by number (M), how often notes were played (E), undefined commands, and System Exclusive (X).
 *
 * Source: RFC 6295, appendices A and B (from memory; the layout is crossed with tshark).
 */
final class JournalCommands
{
    /** MIDI clocks in a beat of the song position. */
    private const CLOCKS_A_BEAT = 6;

    /** @return list<string> */
    public static function of(Journal $journal): array
    {
        $commands = [];
        foreach ($journal->channels as $channel) {
            $number = $channel->channel - 1;
            $chapters = $channel->chapters;
            array_push(
                $commands,
                ...self::program($chapters['P'] ?? '', $number),
                ...self::controllers($chapters['C'] ?? '', $number),
                ...self::two(0xE0 | $number, $chapters['W'] ?? ''),
                ...self::pressure($chapters['T'] ?? '', $number),
                ...self::keys($chapters['A'] ?? '', $number),
            );
        }

        return [...$commands, ...self::system($journal->system)];
    }

    /** @return list<string> */
    private static function program(string $chapter, int $channel): array
    {
        if (\strlen($chapter) < 3) {
            return [];
        }
        $control = \chr(0xB0 | $channel);
        $bank = (\ord($chapter[1]) & 0x80) === 0
            ? []
            : ["{$control}\x00".self::seven($chapter[1]), "{$control}\x20".self::seven($chapter[2])];

        return [...$bank, \chr(0xC0 | $channel).self::seven($chapter[0])];
    }

    /**
     * Logs with the A bit count what a pedal did, and give no value: they are left.
     *
     * @return list<string>
     */
    private static function controllers(string $chapter, int $channel): array
    {
        $commands = [];
        foreach (self::logs($chapter) as [$number, $value]) {
            if ((\ord($value) & 0x80) === 0) {
                $commands[] = \chr(0xB0 | $channel).self::seven($number).$value;
            }
        }

        return $commands;
    }

    /**
     * What came before a reset (the X bit) is not said again.
     *
     * @return list<string>
     */
    private static function keys(string $chapter, int $channel): array
    {
        $commands = [];
        foreach (self::logs($chapter) as [$note, $pressure]) {
            if ((\ord($pressure) & 0x80) === 0) {
                $commands[] = \chr(0xA0 | $channel).self::seven($note).$pressure;
            }
        }

        return $commands;
    }

    /** @return list<array{string, string}> behind a count: two bytes each */
    private static function logs(string $chapter): array
    {
        $logs = [];
        for ($at = 1; $at + 1 < \strlen($chapter); $at += 2) {
            $logs[] = [$chapter[$at], $chapter[$at + 1]];
        }

        return $logs;
    }

    /** @return list<string> */
    private static function two(int $status, string $chapter): array
    {
        return \strlen($chapter) < 2 ? [] : [\chr($status).self::seven($chapter[0]).self::seven($chapter[1])];
    }

    /** @return list<string> */
    private static function pressure(string $chapter, int $channel): array
    {
        return $chapter === '' ? [] : [\chr(0xD0 | $channel).self::seven($chapter[0])];
    }

    /**
     * Chapters D, V, Q and F stand in this order; what is torn ends the reading.
     *
     * @return list<string>
     */
    private static function system(string $bytes): array
    {
        if (\strlen($bytes) < 2) {
            return [];
        }
        $contents = \ord($bytes[0]);
        $at = 2;
        $commands = [];
        if (($contents & 0x40) !== 0) {
            [$song, $at] = self::simple($bytes, $at);
            $commands = $song;
        }
        if (($contents & 0x20) !== 0) {
            // How often Active Sensing came.
            ++$at;
        }
        if (($contents & 0x10) !== 0) {
            [$place, $at] = self::sequencer($bytes, $at);
            array_push($commands, ...$place);
        }

        return ($contents & 0x08) === 0 ? $commands : [...$commands, ...self::timeCode($bytes, $at)];
    }

    /**
     * Chapter D.
     *
     * @return array{list<string>, int}
     */
    private static function simple(string $bytes, int $at): array
    {
        $header = \ord($bytes[$at] ?? "\0");
        ++$at;
        // Counts of resets and of tune requests: what is counted cannot be told from before the session.
        $at += (int) (($header & 0x40) !== 0) + (int) (($header & 0x20) !== 0);
        $commands = [];
        if (($header & 0x10) !== 0 && isset($bytes[$at])) {
            $commands[] = "\xF3".self::seven($bytes[$at]);
            ++$at;
        }
        foreach ([0x08, 0x04] as $undefined) {
            $at += ($header & $undefined) === 0
                ? 0
                : max(2, (\ord($bytes[$at] ?? "\0") & 3) << 8 | \ord($bytes[$at + 1] ?? "\0"));
        }
        foreach ([0x02, 0x01] as $undefined) {
            $at += ($header & $undefined) === 0 ? 0 : max(1, \ord($bytes[$at] ?? "\0") & 31);
        }

        return [$commands, $at];
    }

    /**
     * Chapter Q.
     *
     * @return array{list<string>, int}
     */
    private static function sequencer(string $bytes, int $at): array
    {
        if (! isset($bytes[$at])) {
            return [[], $at];
        }
        $header = \ord($bytes[$at]);
        $runs = ($header & 0x40) !== 0;
        $clock = 0;
        ++$at;
        if (($header & 0x10) !== 0) {
            $clock = ($header & 7) << 16 | \ord($bytes[$at] ?? "\0") << 8 | \ord($bytes[$at + 1] ?? "\0");
            $at += 2;
        }
        $at += ($header & 0x08) !== 0 ? 3 : 0;
        $beats = min(0x3FFF, intdiv($clock, self::CLOCKS_A_BEAT));
        $place = "\xF2".\chr($beats & 0x7F).\chr($beats >> 7);

        return [$runs ? [$place, $clock === 0 ? "\xFA" : "\xFB"] : ["\xFC", $place], $at];
    }

    /**
     * Chapter F, of which a complete time is read: as four numbers, or as eight pieces.
     *
     * @return list<string>
     */
    private static function timeCode(string $bytes, int $at): array
    {
        $header = \ord($bytes[$at] ?? "\0");
        $complete = substr($bytes, $at + 1, 4);
        if (($header & 0x40) === 0 || \strlen($complete) < 4) {
            return [];
        }
        if (($header & 0x10) !== 0) {
            // Two pieces a byte, the first one in the upper half: frames, seconds, minutes, hours with the rate.
            $pieces = array_map(static fn(string $byte): int => \ord($byte), str_split($complete));
            [$frames, $seconds, $minutes, $hours] = array_map(static fn(int $two): int => ($two & 15) << 4 | $two >> 4, $pieces);
            $complete = \chr($hours & 0x7F).\chr($minutes & 0x3F).\chr($seconds & 0x3F).\chr($frames & 0x1F);
        }
        if (preg_match('/[\x80-\xFF]/', $complete) === 1) {
            return [];
        }

        return ["\xF0\x7F\x7F\x01\x01{$complete}\xF7"];
    }

    private static function seven(string $byte): string
    {
        return \chr(\ord($byte) & 0x7F);
    }
}
