<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/**
 * What was sent and not yet heard of: the journal of the next packet says it again, so that the other end can mend a loss.
 * What the other end has told that it has heard is left out.
 *
 * Source: RFC 6295, 4, 5 and appendices A and B (from memory; the layout is crossed with tshark).
 */
final class SentHistory
{
    /** A longer journal would make its packet a large one: it is left out then, until the other end has told what it heard. */
    private const LONGEST = 900;
    private const WITH_BANK = 1 << 21;
    private const ALL_SOUND_OFF = 120;
    private const RESET_ALL_CONTROLLERS = 121;
    private const ALL_NOTES_OFF = 123;

    /** @var array<int, array<string, array<int, array{int, int}>>> packet and value, by channel, chapter and number */
    private array $channels = [];

    /** @var array<string, array{int, int}> packet and value, by "song" and "place" */
    private array $system = [];

    /** Where the song is, in MIDI clocks, and whether it runs. */
    private int $clocks = 0;
    private bool $runs = false;

    /** @var array<int, array{int, int}> bank of each channel; -1 for a half that was not said */
    private array $banks = [];
    private int $checkpoint = 0;

    /** @param string $command a whole MIDI command that leaves in this packet */
    public function sent(int $sequence, string $command): void
    {
        $status = \ord($command[0] ?? "\0");
        $channel = $status & 15;
        $first = \ord($command[1] ?? "\0");
        $second = \ord($command[2] ?? "\0");
        if ($status >= 0xF0) {
            $this->sentOfSystem($sequence, $status, $first, $second);

            return;
        }
        match ($status >> 4) {
            8 => $this->note($sequence, $channel, $first, 0),
            9 => $this->note($sequence, $channel, $first, $second),
            10 => $this->set($sequence, $channel, 'A', $first, $second),
            11 => $this->controller($sequence, $channel, $first, $second),
            12 => $this->program($sequence, $channel, $first),
            13 => $this->set($sequence, $channel, 'T', 0, $first),
            14 => $this->set($sequence, $channel, 'W', 0, $first | $second << 7),
            default => null,
        };
    }

    /** The other end has heard all up to this packet. */
    public function heard(int $sequence): void
    {
        $isNew = static function (array $one) use ($sequence): bool {
            [$sent] = $one;

            return \is_int($sent) && (($sequence - $sent) & 0xFFFF) >= 0x8000;
        };
        foreach ($this->channels as $channel => $chapters) {
            foreach ($chapters as $letter => $values) {
                $this->channels[$channel][$letter] = array_filter($values, $isNew);
            }
            $this->channels[$channel] = array_filter($this->channels[$channel], static fn(array $values): bool => $values !== []);
        }
        $this->channels = array_filter($this->channels, static fn(array $chapters): bool => $chapters !== []);
        $this->system = array_filter($this->system, $isNew);
        $this->checkpoint = $sequence;
    }

    /** @param int $next number of the packet that it goes with */
    public function journal(int $next): ?Journal
    {
        $isJustSent = static fn(int $sequence): bool => $sequence === ($next - 1 & 0xFFFF);
        $channels = [];
        ksort($this->channels);
        foreach ($this->channels as $number => $chapters) {
            $channels[] = $this->channel($number, $chapters, $isJustSent);
        }
        $system = $this->system === [] ? '' : $this->systemJournal($isJustSent);
        if ($channels === [] && $system === '') {
            return null;
        }
        $isSingle = array_filter($channels, static fn(ChannelJournal $one): bool => ! $one->single) === []
            && ($system === '' || (\ord($system[0]) & 0x80) !== 0);
        $journal = new Journal($isSingle, false, $this->checkpoint + 1 & 0xFFFF, $system, $channels);

        return \strlen($journal->encode()) > self::LONGEST ? null : $journal;
    }

    private function sentOfSystem(int $sequence, int $status, int $first, int $second): void
    {
        $this->clocks = match ($status) {
            0xFA => 0,
            0xF2 => ($first | $second << 7) * 6,
            0xF8 => $this->clocks + (int) $this->runs,
            default => $this->clocks,
        };
        $this->runs = $status === 0xFA || $status === 0xFB || ($this->runs && $status !== 0xFC);
        if ($status === 0xF3) {
            $this->system['song'] = [$sequence, $first];
        } elseif (\in_array($status, [0xF2, 0xFA, 0xFB, 0xFC], true)) {
            $this->system['place'] = [$sequence, 0];
        }
    }

    private function set(int $sequence, int $channel, string $letter, int $number, int $value): void
    {
        $this->channels[$channel][$letter][$number] = [$sequence, $value];
    }

    /** With the bank of that moment, where both halves of it were said. */
    private function program(int $sequence, int $channel, int $program): void
    {
        [$msb, $lsb] = $this->banks[$channel] ?? [-1, -1];
        $this->set($sequence, $channel, 'P', 0, $program | ($msb < 0 || $lsb < 0 ? 0 : self::WITH_BANK | $msb << 7 | $lsb << 14));
    }

    private function note(int $sequence, int $channel, int $note, int $velocity): void
    {
        // A note sounds, or has ended: the last word counts.
        unset($this->channels[$channel][$velocity > 0 ? 'off' : 'on'][$note]);
        $this->set($sequence, $channel, $velocity > 0 ? 'on' : 'off', $note, $velocity);
    }

    private function controller(int $sequence, int $channel, int $number, int $value): void
    {
        if ($number === self::RESET_ALL_CONTROLLERS) {
            unset(
                $this->channels[$channel]['C'],
                $this->channels[$channel]['W'],
                $this->channels[$channel]['T'],
                $this->channels[$channel]['A'],
            );
        }
        if ($number === self::ALL_SOUND_OFF || $number === self::ALL_NOTES_OFF) {
            unset($this->channels[$channel]['on'], $this->channels[$channel]['off']);
        }
        if ($number === 0 || $number === 32) {
            [$msb, $lsb] = $this->banks[$channel] ?? [-1, -1];
            $this->banks[$channel] = $number === 0 ? [$value, $lsb] : [$msb, $value];
        }
        $this->set($sequence, $channel, 'C', $number, $value);
    }

    /**
     * @param array<string, array<int, array{int, int}>> $values
     * @param \Closure(int): bool $isJustSent
     */
    private function channel(int $number, array $values, \Closure $isJustSent): ChannelJournal
    {
        $flag = static fn(int $sequence): int => $isJustSent($sequence) ? 0 : 0x80;
        $chapters = [];
        $isSingle = true;
        foreach ($values as $of) {
            foreach ($of as [$sequence]) {
                $isSingle = $isSingle && ! $isJustSent($sequence);
            }
        }
        foreach ($values['P'] ?? [] as [$sequence, $program]) {
            $chapters['P'] = \chr($flag($sequence) | $program & 0x7F).\chr(($program & self::WITH_BANK) >> 14 | $program >> 7 & 0x7F)
                .\chr($program >> 14 & 0x7F);
        }
        foreach ($values['W'] ?? [] as [$sequence, $bend]) {
            $chapters['W'] = \chr($flag($sequence) | $bend & 0x7F).\chr($bend >> 7);
        }
        foreach ($values['T'] ?? [] as [$sequence, $pressure]) {
            $chapters['T'] = \chr($flag($sequence) | $pressure);
        }
        foreach (['C', 'A'] as $letter) {
            if (($values[$letter] ?? []) !== []) {
                $chapters[$letter] = self::logs($values[$letter], $flag);
            }
        }
        if (($values['on'] ?? []) !== [] || ($values['off'] ?? []) !== []) {
            $chapters['N'] = self::notes($values['on'] ?? [], $values['off'] ?? [], $flag);
        }

        return new ChannelJournal($isSingle, $number + 1, false, $chapters);
    }

    /**
     * @param non-empty-array<int, array{int, int}> $values
     * @param \Closure(int): int $flag
     */
    private static function logs(array $values, \Closure $flag): string
    {
        $bytes = '';
        $isSingle = 0x80;
        foreach ($values as $number => [$sequence, $value]) {
            $isSingle &= $flag($sequence);
            $bytes .= \chr($flag($sequence) | $number).\chr($value);
        }

        return \chr($isSingle | \count($values) - 1).$bytes;
    }

    /**
     * @param array<int, array{int, int}> $on
     * @param array<int, array{int, int}> $off
     * @param \Closure(int): int $flag
     */
    private static function notes(array $on, array $off, \Closure $flag): string
    {
        $logs = '';
        foreach ($on as $note => [$sequence, $velocity]) {
            // Y: it may still be played, however late.
            $logs .= \chr($flag($sequence) | $note).\chr(0x80 | $velocity);
        }
        $isSingle = 0x80;
        $octets = [];
        foreach ($off as $note => [$sequence]) {
            $isSingle &= $flag($sequence);
            $octets[$note >> 3] = ($octets[$note >> 3] ?? 0) | 0x80 >> ($note & 7);
        }
        [$low, $high] = $octets === []
            ? [15, $on === [] || \count($on) === 128 ? 0 : 1]
            : [min(array_keys($octets)), max(array_keys($octets))];
        $bits = '';
        for ($i = $low; $octets !== [] && $i <= $high; ++$i) {
            $bits .= \chr($octets[$i] ?? 0);
        }

        return \chr($isSingle | min(127, \count($on))).\chr($low << 4 | $high).$logs.$bits;
    }

    /** @param \Closure(int): bool $isJustSent */
    private function systemJournal(\Closure $isJustSent): string
    {
        $flag = static fn(int $sequence): int => $isJustSent($sequence) ? 0 : 0x80;
        $contents = 0;
        $isSingle = 0x80;
        $bytes = '';
        if (isset($this->system['song'])) {
            [$sequence, $song] = $this->system['song'];
            $contents |= 0x40;
            $isSingle &= $flag($sequence);
            $bytes .= \chr($flag($sequence) | 0x10).\chr($flag($sequence) | $song);
        }
        if (isset($this->system['place'])) {
            [$sequence] = $this->system['place'];
            $contents |= 0x10;
            $isSingle &= $flag($sequence);
            $clocks = min(0x7FFFF, $this->clocks);
            $bytes .= \chr($flag($sequence) | ($this->runs ? 0x40 : 0) | ($clocks > 0 ? 0x30 : 0) | $clocks >> 16)
                .($clocks > 0 ? \chr($clocks >> 8 & 0xFF).\chr($clocks & 0xFF) : '');
        }
        $length = \strlen($bytes) + 2;

        return \chr($isSingle | $contents | $length >> 8).\chr($length & 0xFF).$bytes;
    }
}
