<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\RtpMidi\ChannelJournal;
use NimbleJunction\Core\Wire\RtpMidi\Command;
use NimbleJunction\Core\Wire\RtpMidi\Intake;
use NimbleJunction\Core\Wire\RtpMidi\Journal;
use NimbleJunction\Core\Wire\RtpMidi\Outcome;
use NimbleJunction\Core\Wire\RtpMidi\Packet;
use NimbleJunction\Core\Wire\RtpMidi\Session;
use NimbleJunction\Core\Wire\RtpMidi\SessionCommand;
use NimbleJunction\Core\Wire\RtpMidi\SessionPacket;
use NimbleJunction\Core\Wire\RtpMidi\SessionState;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Two ends of a network MIDI session, joined by hand; the session protocol from memory, loss and journal after RFC 6295. */
final class RtpMidiSessionTest extends TestCase
{
    private const SECOND = 1_000_000_000;
    private Session $lectern;
    private Session $junction;
    private int $now = 5 * self::SECOND;

    /** @var list<array{bool, string}> datagrams on their way to the junction: to its data port?, bytes */
    private array $toJunction = [];

    /** @var list<array{bool, string}> */
    private array $toLectern = [];

    protected function setUp(): void
    {
        $this->lectern = new Session('Lectern', 0x1111);
        $this->junction = new Session('Fernhall', 0x2222);
    }

    public function testAnInvitationOpensBothEndsAndComparesTheirClocks(): void
    {
        $this->open();
        self::assertSame([SessionState::Open, SessionState::Open], [$this->lectern->state(), $this->junction->state()]);
        self::assertSame(['Fernhall', 'Lectern'], [$this->lectern->peerName(), $this->junction->peerName()]);
        self::assertSame(
            [0, 0],
            [$this->lectern->clocks()->offset(), $this->junction->clocks()->offset()],
            'one clock in this test',
        );
        self::assertSame($this->now + 10 * self::SECOND, $this->lectern->dueAt(), 'the inviting end compares clocks again');
    }

    public function testMidiFlowsBothWays(): void
    {
        $this->open();
        $this->from($this->lectern->send(["\x90\x3c\x64", "\xF0\x7f\x7f\x02\x01\x01\x31\xF7"], $this->now), true);
        self::assertSame(['903c64', 'f07f7f02010131f7'], $this->deliver());
        $this->from($this->junction->send(["\xB0\x07\x40"], $this->now), false);
        self::assertSame(['b00740'], $this->deliver());
        $feedback = $this->junction->wake($this->now + self::SECOND);
        self::assertSame(
            SessionCommand::Feedback,
            SessionPacket::decode($feedback->control[0])->command,
            'within a second it says what it has heard',
        );
        self::assertSame(1 << 16, SessionPacket::decode($feedback->control[0])->value);
    }

    public function testAStrangersMidiIsNotTaken(): void
    {
        $this->open();
        $outcome = $this->junction->arrived(
            true,
            (new Packet(9, 1, 0x9999, [new Command("\x90\x3c\x64")]))->encode(),
            $this->now,
        );
        self::assertSame([], $outcome->midi);
    }

    public function testAnInvitationIsRepeatedAndGivenUp(): void
    {
        $sent = \count($this->lectern->invite(7, $this->now)->control);
        for ($i = 0; $i < 30 && $this->lectern->dueAt() < \PHP_INT_MAX; ++$i) {
            $sent += \count($this->lectern->wake($this->lectern->dueAt())->control);
        }
        self::assertSame([12, SessionState::Lost], [$sent, $this->lectern->state()]);
    }

    public function testASecondGuestIsTurnedAway(): void
    {
        $this->open();
        $answer = $this->junction->arrived(
            false,
            (new SessionPacket(SessionCommand::Invitation, 0x3333, 9, 'Other'))->encode(),
            $this->now,
        );
        self::assertSame(SessionCommand::Rejected, SessionPacket::decode($answer->control[0])->command);
        $other = new Session('Other', 0x3333);
        $other->invite(9, $this->now);
        $other->arrived(false, $answer->control[0], $this->now);
        self::assertSame(SessionState::Rejected, $other->state());
        self::assertSame(SessionState::Open, $this->junction->state());
    }

    public function testTheEndAndSilenceEndWhatSounds(): void
    {
        $this->open();
        $this->from($this->lectern->send(["\x90\x3c\x64", "\x91\x40\x64", "\x91\x40\x00"], $this->now), true);
        $this->deliver();
        $this->from($this->lectern->end(), true);
        self::assertSame(['803c40'], $this->deliver(), 'the note that still sounds');
        self::assertSame([SessionState::Idle, SessionState::Idle], [$this->lectern->state(), $this->junction->state()]);

        $this->open();
        $this->from($this->lectern->send(["\x92\x30\x64"], $this->now), true);
        $this->deliver();
        $this->now += 61 * self::SECOND;
        self::assertSame(['823040'], array_map(bin2hex(...), $this->junction->wake($this->now)->midi), 'no clock for a minute');
        self::assertSame(SessionState::Lost, $this->junction->state());
    }

    public function testALossWithoutAJournalEndsEveryNote(): void
    {
        $intake = new Intake();
        $intake->take(new Packet(1, 0, 1, [new Command("\x90\x3c\x64"), new Command("\x95\x30\x64")]));
        self::assertSame(
            ['803c40', '853040', '904064'],
            array_map(bin2hex(...), $intake->take(new Packet(4, 0, 1, [new Command("\x90\x40\x64")]))),
        );
        self::assertSame(2, $intake->lost());
        self::assertSame([], $intake->take(new Packet(3, 0, 1, [new Command("\x90\x41\x64")])), 'what comes late is left');
        self::assertSame([], $intake->take(new Packet(4, 0, 1, [new Command("\x90\x41\x64")])), 'and what comes twice');
    }

    /** RFC 6295, appendix A.6: the note that ended and the note that began while packets were lost. */
    public function testALossWithAJournalIsMended(): void
    {
        $intake = new Intake();
        $intake->take(new Packet(0xFFFF, 0, 1, [new Command("\x90\x38\x64"), new Command("\x90\x3e\x64")]));
        // Note 60 sounds; note 56 (bit 0 of octet 7) is off; note 62 is not named and goes on.
        $journal = new Journal(
            false,
            false,
            0xFFFF,
            channels: [new ChannelJournal(false, 1, false, ['N' => "\x01\x77\x3c\xe4\x80"])],
        );
        $mended = $intake->take(new Packet(1, 0, 1, [new Command("\xF8")], $journal));
        self::assertSame(['803840', '903c64', 'f8'], array_map(bin2hex(...), $mended));
        self::assertSame(['803e40', '803c40'], array_map(bin2hex(...), $intake->close()));
        self::assertSame(1, $intake->lost(), 'the number goes round from 65535 to 0');
    }

    /** RFC 6295, 3.2: F0 … F0, F7 … F0, F7 … F7, and F7 … F4 to give up. */
    public function testSegmentsOfSystemExclusiveArePutTogether(): void
    {
        $intake = new Intake();
        $take = static fn(int $number, string ...$hex): array => array_map(
            bin2hex(...),
            $intake->take(
                new Packet(
                    $number,
                    0,
                    1,
                    array_map(static fn(string $one): Command => new Command((string) hex2bin($one)), array_values($hex)),
                ),
            ),
        );
        self::assertSame([], $take(1, 'f07f7ff0'));
        self::assertSame(['f8'], $take(2, 'f70102f0', 'f8'));
        self::assertSame(['f07f7f010203f7'], $take(3, 'f703f7'));
        self::assertSame([], $take(4, 'f001f0', 'f702f4'));
        self::assertSame([], $take(5, 'f703f7'), 'it was given up');
    }

    /** @return iterable<string, array{string, int, string}> packet in hexadecimal, offset, words */
    public static function broken(): iterable
    {
        $rtp = '80e1000100000001000000ff';
        yield 'too short' => ['80e1', 2, 'takes at least 13'];
        yield 'RTP version 1' => ['40e100010000000100000001'.'00', 0, 'version is 1'];
        yield 'no room for MIDI' => ['83'.substr($rtp, 2).'00', 13, 'no room'];
        yield 'LEN too long' => [$rtp.'0f903c64', 12, 'LEN says 15'];
        yield 'second byte of LEN missing' => [$rtp.'80', 13, 'second byte of LEN'];
        yield 'left over' => [$rtp.'03903c6400', 16, 'left over'];
        yield 'no status byte' => [$rtp.'023c64', 13, 'no status byte'];
        yield 'cut off' => [$rtp.'02903c', 15, 'cut off'];
        yield 'a delta time of five bytes' => [$rtp.'29818181810100000000', 13, 'longer than four'];
        yield 'System Exclusive not closed' => [$rtp.'03f00102', 16, 'not closed'];
        yield 'journal cut off' => [$rtp.'43903c642000', 18, 'journal is cut off'];
        yield 'channel journal too long' => [$rtp.'40'.'200000'.'03ff00', 16, 'LENGTH of a channel journal'];
        yield 'chapter cut off' => [$rtp.'40'.'200000'.'000580'.'0a80', 21, 'chapter P is cut off'];
    }

    #[DataProvider('broken')]
    public function testWhatIsBrokenIsRefusedAtItsByte(string $hex, int $offset, string $words): void
    {
        try {
            Packet::decode((string) hex2bin($hex));
            self::fail('it was taken');
        } catch (Malformed $malformed) {
            self::assertSame([$offset, true], [$malformed->offset, str_contains($malformed->reason, $words)], $malformed->reason);
        }
    }

    private function open(): void
    {
        $this->from($this->lectern->invite(0xABCD, $this->now), true);
        $this->deliver();
    }

    private function from(Outcome $outcome, bool $fromLectern): void
    {
        foreach ([[false, $outcome->control], [true, $outcome->data]] as [$data, $datagrams]) {
            foreach ($datagrams as $bytes) {
                if ($fromLectern) {
                    $this->toJunction[] = [$data, $bytes];
                } else {
                    $this->toLectern[] = [$data, $bytes];
                }
            }
        }
    }

    /** @return list<string> MIDI that came out at either end, in hexadecimal */
    private function deliver(): array
    {
        $midi = [];
        for ($turn = 0; $turn < 100 && [...$this->toJunction, ...$this->toLectern] !== []; ++$turn) {
            [$there, $back] = [$this->toJunction, $this->toLectern];
            $this->toJunction = $this->toLectern = [];
            foreach ([[$there, $this->junction, false], [$back, $this->lectern, true]] as [$datagrams, $end, $isLectern]) {
                foreach ($datagrams as [$data, $bytes]) {
                    $outcome = $end->arrived($data, $bytes, $this->now);
                    $this->from($outcome, $isLectern);
                    array_push($midi, ...array_map(bin2hex(...), $outcome->midi));
                }
            }
        }

        return $midi;
    }
}
