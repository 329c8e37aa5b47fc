<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\RtpMidi\Arrival;
use NimbleJunction\Core\Wire\RtpMidi\ChannelJournal;
use NimbleJunction\Core\Wire\RtpMidi\Command;
use NimbleJunction\Core\Wire\RtpMidi\Intake;
use NimbleJunction\Core\Wire\RtpMidi\Journal;
use NimbleJunction\Core\Wire\RtpMidi\JournalCommands;
use NimbleJunction\Core\Wire\RtpMidi\Packet;
use NimbleJunction\Core\Wire\RtpMidi\Segments;
use NimbleJunction\Core\Wire\RtpMidi\SentHistory;
use NimbleJunction\Tests\Support\Tshark;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a loss takes comes back: values, notes and the place in the song; the layout of journals is crossed with tshark. */
final class RtpMidiJournalTest extends TestCase
{
    private const TSHARK = ['-d', 'udp.port==5004,rtp', '-d', 'rtp.pt==97,rtpmidi'];

    /** tshark's own reading of what we write (Wireshark, packet-rtp-midi). */
    public function testTsharkReadsOurJournalAsItIsMeant(): void
    {
        $history = new SentHistory();
        foreach ([
            "\xB2\x00\x05",
            "\xB2\x20\x06",
            "\xC2\x2A",
            "\xB2\x07\x63",
            "\xE2\x21\x42",
            "\xD2\x55",
            "\xA2\x3C\x11",
            "\x92\x40\x70",
            "\x82\x41\x40",
            "\xF3\x09",
            "\xF2\x10\x02",
            "\xFB",
        ] as $i => $command) {
            $history->sent(100 + $i, $command);
        }
        $journal = $history->journal(112);
        self::assertNotNull($journal);
        $packet = (new Packet(112, 1, 7, [new Command("\xFE")], $journal))->encode();
        $name = static fn(string $field): string => "rtpmidi.{$field}";
        $fields = [
            'cj_chapter_p_program',
            'cj_chapter_p_bflag',
            'cj_chapter_p_bank_msb',
            'cj_chapter_p_bank_lsb',
            'cj_chapter_c_number',
            'cj_chapter_c_value',
            'cj_chapter_w_first',
            'cj_chapter_w_second',
            'cj_chapter_t_pressure',
            'cj_chapter_a_log_note',
            'cj_chapter_a_log_pressure',
            'cj_chapter_n_log_note',
            'cj_chapter_n_log_velocity',
            'cj_chapter_n_log_octet',
            'cj_chapter_n_low',
            'cj_chapter_n_high',
            'cj_chapter_d_song_sel_value',
            'sj_chapter_q_nflag',
            'sj_chapter_q_clock',
            'cj_chapter_c_length',
        ];
        $read = Tshark::fields([$packet], 5004, array_map($name, $fields), self::TSHARK)[0];
        $number = static fn(string $field): array => array_map(static fn(string $one): int => match (true) {
            $one === 'True' => 1,
            $one === 'False' => 0,
            str_starts_with($one, '0x') => (int) hexdec($one),
            default => (int) $one,
        }, explode(',', $read["rtpmidi.{$field}"]));
        self::assertSame(
            [[42], [1], [5], [6]],
            array_map($number, ['cj_chapter_p_program', 'cj_chapter_p_bflag', 'cj_chapter_p_bank_msb', 'cj_chapter_p_bank_lsb']),
        );
        self::assertSame([[0, 32, 7], [5, 6, 99]], [$number('cj_chapter_c_number'), $number('cj_chapter_c_value')]);
        self::assertSame(
            [[0x21], [0x42], [0x55]],
            [$number('cj_chapter_w_first'), $number('cj_chapter_w_second'), $number('cj_chapter_t_pressure')],
        );
        self::assertSame([[60], [17]], [$number('cj_chapter_a_log_note'), $number('cj_chapter_a_log_pressure')]);
        self::assertSame(
            [[64], [112], [8], [8]],
            [$number('cj_chapter_n_log_note'), $number('cj_chapter_n_log_velocity'), $number('cj_chapter_n_low'), $number('cj_chapter_n_high')],
        );
        self::assertSame([0x40], $number('cj_chapter_n_log_octet'), 'note 65 has ended');
        self::assertSame([[9], [1]], [$number('cj_chapter_d_song_sel_value'), $number('sj_chapter_q_nflag')]);
        self::assertSame([(0x10 | 0x02 << 7) * 6], $number('sj_chapter_q_clock'));
        // And so do we.
        self::assertSame(
            ['b20005', 'b22006', 'c22a', 'b20005', 'b22006', 'b20763', 'e22142', 'd255', 'a23c11', 'f309', 'f21002', 'fb'],
            array_map(bin2hex(...), JournalCommands::of(Packet::decode($packet)->journal ?? self::fail())),
        );
    }

    /** @return iterable<string, array{string, list<string>}> chapter F as bytes behind its system header, and what it says */
    public static function timeCodes(): iterable
    {
        yield 'four numbers' => ["\x41\x0A\x14\x1E\x04", ['f07f7f01010a141e04f7']];
        // Pieces 0 to 7 of 10:20:30:04 at 25 a second (rate 1): 4 0, 14 1, 4 1, 10 2.
        yield 'eight pieces' => ["\x50\x40\xE1\x41\xA2", ['f07f7f01012a141e04f7']];
        yield 'only some pieces' => ["\x20\x40\xE1\x41\xA2", []];
        yield 'torn' => ["\x41\x0A", []];
    }

    /** @param list<string> $commands */
    #[DataProvider('timeCodes')]
    public function testTheTimeCodeOfAJournal(string $chapter, array $commands): void
    {
        $system = "\x08".\chr(2 + \strlen($chapter)).$chapter;
        self::assertSame($commands, array_map(bin2hex(...), JournalCommands::of(new Journal(false, false, 1, $system))));
    }

    public function testWhatIsTornOrStrangeIsReadWithoutHarm(): void
    {
        mt_srand(7);
        for ($i = 0; $i < 3000; ++$i) {
            $system = self::rubbish(mt_rand(0, 20));
            $chapters = [];
            foreach (ChannelJournal::CHAPTERS as $letter) {
                if (mt_rand(0, 1) === 1) {
                    $chapters[$letter] = self::rubbish(mt_rand(0, 12));
                }
            }
            foreach (JournalCommands::of(new Journal(
                false,
                false,
                1,
                $system,
                [new ChannelJournal(false, mt_rand(1, 16), false, $chapters)],
            )) as $command) {
                self::assertMatchesRegularExpression(
                    '/^([\x80-\xEF][\x00-\x7F]{1,2}|\xF2[\x00-\x7F]{2}|\xF3[\x00-\x7F]|[\xFA\xFB\xFC]|\xF0[\x00-\x7F]+\xF7)$/D',
                    $command,
                );
            }
        }
    }

    /** @return iterable<int, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            yield $seed => [$seed];
        }
    }

    /** A third of all packets is lost, feedback comes now and then: whoever hears the last packet has everything as it is. */
    #[DataProvider('seeds')]
    public function testAfterAnyLossAllIsAsItWasSent(int $seed): void
    {
        mt_srand($seed);
        $history = new SentHistory();
        $intake = new Intake();
        $sent = $heard = [];
        $sequence = 65_400;
        $last = $sequence;
        $isFirst = true;
        for ($i = 0; $i < 400; ++$i) {
            $sequence = $sequence + 1 & 0xFFFF;
            $command = $this->command();
            $packet = (new Packet($sequence, 1, 7, [new Command($command)], $history->journal($sequence)))->encode();
            $history->sent($sequence, $command);
            self::note($sent, $command);
            // The first one is heard: before it nobody knows what was lost.
            if ($isFirst || $i === 399 || mt_rand(1, 3) > 1) {
                $isFirst = false;
                foreach ($intake->take(Packet::decode($packet)) as $one) {
                    self::note($heard, $one);
                }
                $last = $sequence;
                self::assertEquals($sent, $heard, "after packet {$i}");
            }
            if (mt_rand(1, 12) === 1) {
                $history->heard($last);
            }
        }
    }

    public function testAJournalForgetsWhatWasHeardAndStaysSmall(): void
    {
        $history = new SentHistory();
        self::assertNull($history->journal(1));
        foreach (range(1, 1600) as $i) {
            $history->sent($i, \chr(0xB0 | $i % 16).\chr(intdiv($i, 16) % 120).\chr($i % 128));
        }
        self::assertNull($history->journal(1601), 'one that is too large is left out');
        $history->heard(1590);
        $journal = $history->journal(1601);
        self::assertCount(10, $journal->channels ?? []);
        self::assertSame([1591, false], [$journal?->checkpoint, $journal?->single]);
        $history->heard(1600);
        self::assertNull($history->journal(1601));
    }

    public function testALongExclusiveGoesInSegmentsAndComesWhole(): void
    {
        $exclusive = "\xF0\x7D".str_repeat("\x11\x22\x33", 3000)."\xF7";
        $packets = Segments::of(["\x90\x3C\x64", $exclusive, "\x80\x3C\x40"]);
        self::assertGreaterThan(15, \count($packets));
        $intake = new Intake();
        $heard = [];
        foreach ($packets as $i => $list) {
            $bytes = (new Packet($i, 1, 7, $list))->encode();
            self::assertLessThan(600, \strlen($bytes));
            array_push($heard, ...$intake->take(Packet::decode($bytes)));
        }
        self::assertSame(["\x90\x3C\x64", $exclusive, "\x80\x3C\x40"], $heard);
        $many = Segments::of(array_fill(0, 1000, "\x90\x3C\x64"));
        self::assertSame(1000, array_sum(array_map(\count(...), $many)));
    }

    /** RFC 3550, A.8: packets that come 20 ms late by turns move it towards 20 ms, by a sixteenth of what is missing each. */
    public function testJitterIsThatOfRtp(): void
    {
        $arrival = new Arrival();
        $wanted = 0.0;
        for ($i = 0; $i < 200; ++$i) {
            $arrival->packet(1000 + $i * 100 & 0xFFFFFFFF, 5_000_000_000 + $i * 10_000_000 + ($i % 2) * 20_000_000);
            $wanted += $i === 0 ? 0.0 : (20.0 - $wanted) / 16.0;
        }
        self::assertEqualsWithDelta($wanted, $arrival->jitter(), 0.01);
        $even = new Arrival();
        for ($i = 0; $i < 50; ++$i) {
            $even->packet(0xFFFFFF00 + $i * 100 & 0xFFFFFFFF, 5_000_000_000 + $i * 10_000_000);
        }
        self::assertSame(0.0, $even->jitter(), 'also where time stamps wrap');
    }

    private static function rubbish(int $length): string
    {
        $bytes = '';
        while (\strlen($bytes) < $length) {
            $bytes .= \chr(mt_rand(0, 255));
        }

        return $bytes;
    }

    private function command(): string
    {
        $channel = mt_rand(0, 2);
        $note = mt_rand(58, 66);
        $value = mt_rand(0, 127);

        return match (mt_rand(0, 9)) {
            0, 1 => \chr(0x90 | $channel).\chr($note).\chr(mt_rand(1, 127)),
            2, 3 => \chr(0x80 | $channel).\chr($note)."\x40",
            4 => \chr(0xB0 | $channel).\chr([0, 32, 1, 7, 64][mt_rand(0, 4)]).\chr($value),
            5 => \chr(0xC0 | $channel).\chr($value),
            6 => \chr(0xE0 | $channel).\chr($value).\chr(mt_rand(0, 127)),
            7 => \chr(0xD0 | $channel).\chr($value),
            8 => \chr(0xA0 | $channel).\chr($note).\chr($value),
            default => ["\xF3".\chr($value), "\xFA", "\xFC", "\xFB"][mt_rand(0, 3)],
        };
    }

    /** @param array<string, int|string> $state how things are after a command; notes: whether they sound */
    private static function note(array &$state, string $command): void
    {
        $status = \ord($command[0]);
        match (true) {
            $status >> 4 === 9 => $state['n'.($status & 15).' '.\ord($command[1])] = 1,
            $status >> 4 === 8 => $state['n'.($status & 15).' '.\ord($command[1])] = 0,
            $status >> 4 === 11, $status >> 4 === 10 => $state[bin2hex(substr($command, 0, 2))] = \ord($command[2]),
            $status === 0xFA, $status === 0xFB => $state['runs'] = 1,
            $status === 0xFC => $state['runs'] = 0,
            $status === 0xF2 => null,
            default => $state[bin2hex($command[0])] = bin2hex(substr($command, 1)),
        };
        $state = array_filter(
            $state,
            static fn(int|string $one, string $key): bool => $one !== 0 || ($key[0] !== 'n' && $key !== 'runs'),
            ARRAY_FILTER_USE_BOTH,
        );
        ksort($state);
    }
}
