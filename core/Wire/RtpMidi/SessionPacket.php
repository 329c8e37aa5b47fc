<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * One packet of the session protocol: FF FF, two letters, and what belongs to
 * them. It has no standard of its own; its fields are in common use (from memory).
 */
final readonly class SessionPacket
{
    public const PROTOCOL_VERSION = 2;
    public const SIGNATURE = "\xFF\xFF";
    private const CLAUSE = 'session protocol of RTP-MIDI (common use)';

    /**
     * @param int $token the inviting end's, 32 bits; of IN, OK, NO and BY
     * @param string $name of IN and OK
     * @param int $count 0, 1 or 2: how many times of a CK are filled in, less one
     * @param array{int, int, int} $times of a CK, in 100 µs of each end's own clock
     * @param int $value sequence number of an RS, in its upper half; bits a second of an RL
     */
    public function __construct(
        public SessionCommand $command,
        public int $ssrc,
        public int $token = 0,
        public string $name = '',
        public int $count = 0,
        public array $times = [0, 0, 0],
        public int $value = 0,
    ) {
    }

    public static function isOne(string $bytes): bool
    {
        return str_starts_with($bytes, self::SIGNATURE);
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $command = self::command($bytes);
        $values = self::layout($command)->read($bytes);
        if ($command === SessionCommand::Clock && $values->int('count') > 2) {
            throw Malformed::outside('count', $values->int('count'), 0, 2, 8, self::CLAUSE);
        }
        $version = $values->int('protocol version');
        if (self::namesVersion($command) && $version !== self::PROTOCOL_VERSION) {
            throw Malformed::at(4, "protocol version is {$version}, 2 is required", self::CLAUSE);
        }

        return new self(
            $command,
            $values->int('sender SSRC'),
            $values->int('initiator token'),
            $values->text('name'),
            $values->int('count'),
            [$values->int('timestamp 1'), $values->int('timestamp 2'), $values->int('timestamp 3')],
            $values->int('sequence number') | $values->int('bitrate'),
        );
    }

    public function encode(): string
    {
        $named = $this->command === SessionCommand::Invitation || $this->command === SessionCommand::Accepted;

        return self::layout($this->command)->write([
            'initiator token' => $this->token,
            'sender SSRC' => $this->ssrc,
            'name' => $named ? $this->name : '',
            'count' => $this->count,
            'timestamp 1' => $this->times[0],
            'timestamp 2' => $this->times[1],
            'timestamp 3' => $this->times[2],
            'sequence number' => $this->value,
            'bitrate' => $this->value,
        ]);
    }

    /** @throws Malformed */
    public static function command(string $bytes): SessionCommand
    {
        if (\strlen($bytes) < 4) {
            throw Malformed::tooShort('A session packet', 8, \strlen($bytes), self::CLAUSE);
        }
        if (! self::isOne($bytes)) {
            throw Malformed::at(0, 'does not begin with FF FF', self::CLAUSE);
        }

        return SessionCommand::tryFrom(substr($bytes, 2, 2)) ?? throw Malformed::at(
            2,
            'command 0x'.bin2hex(substr($bytes, 2, 2)).' is not one of IN, OK, NO, BY, CK, RS and RL',
            self::CLAUSE,
        );
    }

    public static function layout(SessionCommand $command): Layout
    {
        $first = [Field::fixed('signature', self::SIGNATURE), Field::fixed('command', $command->value)];
        $ssrc = Field::number('sender SSRC', 4);
        $rest = match ($command) {
            SessionCommand::Clock => [
                $ssrc,
                Field::number('count', 1, 0, 2),
                Field::bytes('unused', 3),
                Field::number('timestamp 1', 8),
                Field::number('timestamp 2', 8),
                Field::number('timestamp 3', 8),
            ],
            SessionCommand::Feedback => [
                $ssrc,
                Field::number('sequence number', 4)->meaning(static fn(int $value): string => 'up to packet '.($value >> 16)),
            ],
            SessionCommand::BitrateLimit => [$ssrc, Field::number('bitrate', 4)],
            default => [
                Field::number('protocol version', 4, self::PROTOCOL_VERSION),
                Field::number('initiator token', 4),
                $ssrc,
                Field::text('name', 0),
            ],
        };
        $shortest = match ($command) {
            SessionCommand::Clock => 36,
            SessionCommand::Feedback, SessionCommand::BitrateLimit => 12,
            default => 16,
        };

        return new Layout("session packet {$command->value}", self::CLAUSE, $shortest, ...$first, ...$rest);
    }

    private static function namesVersion(SessionCommand $command): bool
    {
        return \in_array(
            $command,
            [SessionCommand::Invitation, SessionCommand::Accepted, SessionCommand::Rejected, SessionCommand::End],
            true,
        );
    }
}
