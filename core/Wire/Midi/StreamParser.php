<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\MidiStatus;

/**
 * Parts a stream of bytes into MIDI messages. Knows running status, real-time
 * bytes in the middle of other messages, and System Exclusive that is broken
 * off. It never stops: what is wrong is handed out beside what is right, and
 * reading goes on with the next status byte.
 *
 * Source: MIDI 1.0, "Data Format" and appendix "Running Status" (from memory).
 */
final class StreamParser
{
    public const LONGEST_EXCLUSIVE = 65536;
    private const CLAUSE = 'MIDI 1.0, Data Format';

    private int $position = 0;

    /** Status that data bytes belong to; 0 when there is none. */
    private int $status = 0;
    private int $wanted = 0;
    private string $data = '';
    private int $beganAt = 0;
    private bool $exclusive = false;
    private bool $strayTold = false;
    private bool $isRunning = false;

    /** @return list<Heard> */
    public function push(string $bytes): array
    {
        $heard = [];
        $length = \strlen($bytes);
        for ($i = 0; $i < $length; ++$i, ++$this->position) {
            $byte = \ord($bytes[$i]);
            if ($byte < 0x80) {
                $this->takeData($bytes[$i], $heard);
            } elseif (MidiStatus::isRealTime($byte)) {
                $message = RealTime::tryFrom($byte);
                if ($message !== null) {
                    $heard[] = new Heard($message, $this->position, 1);
                }
            } else {
                $this->takeStatus($byte, $heard);
            }
        }

        return $heard;
    }

    /** Whether a message has begun and is not whole yet. */
    public function isWithinMessage(): bool
    {
        return $this->exclusive || $this->data !== '' || ($this->status !== 0 && ! $this->isRunning);
    }

    /** @param list<Heard> $heard */
    private function takeData(string $byte, array &$heard): void
    {
        if ($this->status === 0 && ! $this->exclusive) {
            if (! $this->strayTold) {
                $heard[] = new Heard(
                    Malformed::at($this->position, 'a data byte stands without a status byte', self::CLAUSE),
                    $this->position,
                    1,
                );
                $this->strayTold = true;
            }

            return;
        }
        if ($this->isRunning) {
            $this->beganAt = $this->position;
            $this->isRunning = false;
        }
        $this->data .= $byte;
        if ($this->exclusive) {
            if (\strlen($this->data) > self::LONGEST_EXCLUSIVE) {
                $heard[] = new Heard(
                    Malformed::outside(
                        'Length of System Exclusive',
                        \strlen($this->data),
                        0,
                        self::LONGEST_EXCLUSIVE,
                        $this->beganAt,
                        'our own limit',
                    ),
                    $this->beganAt,
                    $this->position - $this->beganAt + 1,
                );
                $this->forget();
            }
        } elseif (\strlen($this->data) === $this->wanted) {
            $heard[] = new Heard($this->finish(), $this->beganAt, $this->position - $this->beganAt + 1);
        }
    }

    /** @param list<Heard> $heard */
    private function takeStatus(int $byte, array &$heard): void
    {
        if ($byte === 0xF7 && $this->exclusive) {
            $heard[] = new Heard(new SystemExclusive($this->data), $this->beganAt, $this->position - $this->beganAt + 1);
            $this->forget();

            return;
        }
        if ($this->isWithinMessage()) {
            $what = $this->exclusive ? 'System Exclusive is' : 'a message is';
            $heard[] = new Heard(
                Malformed::at($this->position, \sprintf('%s broken off by status 0x%02X', $what, $byte), self::CLAUSE),
                $this->beganAt,
                $this->position - $this->beganAt,
            );
        }
        $this->forget();
        $this->beganAt = $this->position;
        if ($byte === 0xF0) {
            $this->exclusive = true;

            return;
        }
        $wanted = MidiStatus::dataBytes($byte);
        if ($wanted === null) {
            $heard[] = new Heard(
                Malformed::at(
                    $this->position,
                    \sprintf(
                        'status 0x%02X %s',
                        $byte,
                        $byte === 0xF7 ? 'ends a System Exclusive that did not begin' : 'is not defined',
                    ),
                    self::CLAUSE,
                ),
                $this->position,
                1,
            );
            $this->strayTold = true;

            return;
        }
        if ($wanted === 0) {
            $heard[] = new Heard(new SystemCommon($byte), $this->position, 1);

            return;
        }
        $this->status = $byte;
        $this->wanted = $wanted;
    }

    private function finish(): MidiMessage
    {
        $first = \ord($this->data[0]);
        $second = $this->wanted === 2 ? \ord($this->data[1]) : 0;
        if ($this->status < 0xF0) {
            $message = ChannelMessage::fromStatus($this->status, $first, $second);
            // Running status: the next message may begin with its data.
            $this->data = '';
            $this->isRunning = true;

            return $message;
        }
        $message = new SystemCommon($this->status, $second << 7 | $first);
        $this->forget();

        return $message;
    }

    private function forget(): void
    {
        $this->status = $this->wanted = 0;
        $this->data = '';
        $this->exclusive = false;
        $this->strayTold = $this->isRunning = false;
    }
}
