<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

use NimbleJunction\Core\Wire\Malformed;

/**
 * One end of a network MIDI session, inviting or invited, as a state machine
 * without input or output: it is given datagrams and the time, and answers
 * with datagrams and MIDI. Each end has a control port and, one above it, a
 * data port; both must be accepted before MIDI flows. The inviting end keeps
 * the two clocks compared.
 *
 * Source: RFC 6295 for the packets; the session protocol is in common use (from memory).
 */
final class Session
{
    public const CONTROL_PORT = 5004;
    private const INVITE_EVERY_NANOS = 1_000_000_000;
    private const MOST_INVITATIONS = 12;
    private const CLOCK_EVERY_NANOS = 10_000_000_000;
    private const LOST_AFTER_NANOS = 60_000_000_000;
    private const FEEDBACK_EVERY_NANOS = 1_000_000_000;

    private SessionState $state = SessionState::Idle;
    private string $peerName = '';
    private int $peerSsrc = 0;
    private int $token = 0;
    private bool $inviting = false;
    private int $invitations = 0;
    private int $dueAt = \PHP_INT_MAX;
    private int $clockHeardAt = 0;
    private ?int $feedbackDueAt = null;
    private int $sequence = 0;
    private readonly Intake $intake;
    private readonly ClockComparison $clocks;
    private SentHistory $history;
    private Arrival $arrival;

    /** @param int $ssrc 32 bits, ours in this session */
    public function __construct(private readonly string $name, private readonly int $ssrc)
    {
        $this->intake = new Intake();
        $this->clocks = new ClockComparison();
        $this->history = new SentHistory();
        $this->arrival = new Arrival();
    }

    public function state(): SessionState
    {
        return $this->state;
    }

    /** The other end's own name, once it has said it. */
    public function peerName(): string
    {
        return $this->peerName;
    }

    public function clocks(): ClockComparison
    {
        return $this->clocks;
    }

    /** Milliseconds by which packets come unevenly. */
    public function jitter(): float
    {
        return $this->arrival->jitter();
    }

    /** Packets that never came, counted by their sequence numbers. */
    public function lostPackets(): int
    {
        return $this->intake->lost();
    }

    /** When wake() must be called next; PHP_INT_MAX for not at all. */
    public function dueAt(): int
    {
        return min($this->dueAt, $this->feedbackDueAt ?? \PHP_INT_MAX);
    }

    /** @param int $token 32 bits of chance: what marks the answers to this invitation */
    public function invite(int $token, int $now): Outcome
    {
        $this->inviting = true;
        $this->token = $token;
        $this->invitations = 0;
        $this->state = SessionState::InvitingControl;
        $this->dueAt = $now;

        return $this->wake($now);
    }

    /**
     * A datagram came to our control port or to our data port.
     *
     * @throws Malformed nothing has changed
     */
    public function arrived(bool $atDataPort, string $bytes, int $now): Outcome
    {
        $outcome = new Outcome();
        if (SessionPacket::isOne($bytes)) {
            $this->converse(SessionPacket::decode($bytes), $atDataPort, $now, $outcome);
        } elseif ($this->state === SessionState::Open) {
            $packet = Packet::decode($bytes);
            if ($packet->ssrc === $this->peerSsrc) {
                $this->arrival->packet($packet->timestamp, $now);
                $outcome->midi = $this->intake->take($packet);
                $this->feedbackDueAt ??= $now + self::FEEDBACK_EVERY_NANOS;
            }
        }

        return $outcome;
    }

    /** Time has come to $now. */
    public function wake(int $now): Outcome
    {
        $outcome = new Outcome();
        if ($this->feedbackDueAt !== null && $this->feedbackDueAt <= $now) {
            $this->feedbackDueAt = null;
            $outcome->control[] = (new SessionPacket(
                SessionCommand::Feedback,
                $this->ssrc,
                value: $this->intake->sequence() << 16,
            ))->encode();
        }
        if ($this->dueAt > $now) {
            return $outcome;
        }
        if ($this->state === SessionState::InvitingControl || $this->state === SessionState::InvitingData) {
            $this->inviteAgain($now, $outcome);
        } elseif ($this->state === SessionState::Open && $now - $this->clockHeardAt >= self::LOST_AFTER_NANOS) {
            $this->close(SessionState::Lost, $outcome);
        } elseif ($this->state === SessionState::Open && $this->inviting) {
            $outcome->data[] = $this->clock(0, [ClockComparison::ticks($now), 0, 0]);
            $this->dueAt = $now + self::CLOCK_EVERY_NANOS;
        } else {
            $this->dueAt = $this->state === SessionState::Open ? $this->clockHeardAt + self::LOST_AFTER_NANOS : \PHP_INT_MAX;
        }

        return $outcome;
    }

    /**
     * Sends MIDI to the other end.
     *
     * @param list<string> $commands whole MIDI commands
     */
    public function send(array $commands, int $now): Outcome
    {
        $outcome = new Outcome();
        foreach ($this->state === SessionState::Open ? Segments::of($commands) : [] as $list) {
            $this->sequence = $this->sequence + 1 & 0xFFFF;
            $journal = $this->history->journal($this->sequence);
            $outcome->data[] = (new Packet(
                $this->sequence,
                ClockComparison::ticks($now),
                $this->ssrc,
                $list,
                $journal,
            ))->encode();
            foreach ($list as $command) {
                $this->history->sent($this->sequence, $command->bytes);
            }
        }

        return $outcome;
    }

    /** Ends the session from our side. */
    public function end(): Outcome
    {
        $outcome = new Outcome();
        if ($this->state !== SessionState::Idle) {
            $outcome->control[] = (new SessionPacket(SessionCommand::End, $this->ssrc, $this->token))->encode();
            $this->close(SessionState::Idle, $outcome);
        }

        return $outcome;
    }

    private function converse(SessionPacket $packet, bool $atDataPort, int $now, Outcome $outcome): void
    {
        match ($packet->command) {
            SessionCommand::Invitation => $this->answerInvitation($packet, $atDataPort, $now, $outcome),
            SessionCommand::Accepted => $this->accepted($packet, $atDataPort, $now, $outcome),
            SessionCommand::Rejected => $this->isOurs($packet) && $this->inviting && $this->state !== SessionState::Open
                ? $this->close(SessionState::Rejected, $outcome)
                : null,
            SessionCommand::End => $packet->ssrc === $this->peerSsrc && $this->peerSsrc !== 0
                ? $this->close(SessionState::Idle, $outcome)
                : null,
            SessionCommand::Clock => $this->compareClocks($packet, $now, $outcome),
            SessionCommand::Feedback => $packet->ssrc === $this->peerSsrc
                ? $this->history->heard($packet->value >> 16 & 0xFFFF)
                : null,
            SessionCommand::BitrateLimit => null,
        };
    }

    /** The invited side: the control port first, then the data port; a second guest is turned away. */
    private function answerInvitation(SessionPacket $packet, bool $atDataPort, int $now, Outcome $outcome): void
    {
        $answer = fn(SessionCommand $command): string => (new SessionPacket(
            $command,
            $this->ssrc,
            $packet->token,
            $command === SessionCommand::Accepted ? $this->name : '',
        ))->encode();
        $known = $packet->ssrc === $this->peerSsrc && $packet->token === $this->token;
        if ($atDataPort) {
            if (! $known || $this->inviting) {
                $outcome->data[] = $answer(SessionCommand::Rejected);

                return;
            }
            $outcome->data[] = $answer(SessionCommand::Accepted);
            if ($this->state !== SessionState::Open) {
                $this->open($now);
            }

            return;
        }
        if ($this->state === SessionState::Open && ! $known) {
            $outcome->control[] = $answer(SessionCommand::Rejected);

            return;
        }
        $this->inviting = false;
        $this->peerSsrc = $packet->ssrc;
        $this->peerName = $packet->name;
        $this->token = $packet->token;
        if ($this->state !== SessionState::Open) {
            $this->state = SessionState::HalfInvited;
        }
        $outcome->control[] = $answer(SessionCommand::Accepted);
    }

    private function accepted(SessionPacket $packet, bool $atDataPort, int $now, Outcome $outcome): void
    {
        if (! $this->isOurs($packet) || ! $this->inviting) {
            return;
        }
        if ($this->state === SessionState::InvitingControl && ! $atDataPort) {
            $this->peerSsrc = $packet->ssrc;
            $this->peerName = $packet->name;
            $this->state = SessionState::InvitingData;
            $this->invitations = 0;
            $this->inviteAgain($now, $outcome);
        } elseif ($this->state === SessionState::InvitingData && $atDataPort && $packet->ssrc === $this->peerSsrc) {
            $this->open($now);
            $outcome->data[] = $this->clock(0, [ClockComparison::ticks($now), 0, 0]);
            $this->dueAt = $now + self::CLOCK_EVERY_NANOS;
        }
    }

    private function inviteAgain(int $now, Outcome $outcome): void
    {
        if (++$this->invitations > self::MOST_INVITATIONS) {
            $this->close(SessionState::Lost, $outcome);

            return;
        }
        $invitation = (new SessionPacket(SessionCommand::Invitation, $this->ssrc, $this->token, $this->name))->encode();
        if ($this->state === SessionState::InvitingControl) {
            $outcome->control[] = $invitation;
        } else {
            $outcome->data[] = $invitation;
        }
        $this->dueAt = $now + self::INVITE_EVERY_NANOS;
    }

    private function compareClocks(SessionPacket $packet, int $now, Outcome $outcome): void
    {
        if ($packet->ssrc !== $this->peerSsrc || $this->state !== SessionState::Open) {
            return;
        }
        $this->clockHeardAt = $now;
        [$first, $second] = $packet->times;
        $ticks = ClockComparison::ticks($now);
        if ($packet->count === 0) {
            $outcome->data[] = $this->clock(1, [$first, $ticks, 0]);
        } elseif ($packet->count === 1) {
            $outcome->data[] = $this->clock(2, [$first, $second, $ticks]);
            $this->clocks->inviting($first, $second, $ticks);
        } else {
            $this->clocks->invited(...$packet->times);
        }
    }

    private function open(int $now): void
    {
        $this->state = SessionState::Open;
        $this->history = new SentHistory();
        $this->arrival = new Arrival();
        $this->clockHeardAt = $now;
        $this->dueAt = $now + self::LOST_AFTER_NANOS;
    }

    /** Whatever sounds is ended, so that no note is left hanging. */
    private function close(SessionState $state, Outcome $outcome): void
    {
        array_push($outcome->midi, ...$this->intake->close());
        $this->state = $state;
        $this->peerSsrc = 0;
        $this->dueAt = \PHP_INT_MAX;
        $this->feedbackDueAt = null;
    }

    private function isOurs(SessionPacket $packet): bool
    {
        return $packet->token === $this->token;
    }

    /** @param array{int, int, int} $times */
    private function clock(int $count, array $times): string
    {
        return (new SessionPacket(SessionCommand::Clock, $this->ssrc, count: $count, times: $times))->encode();
    }
}
