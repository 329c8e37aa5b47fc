<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Merge\Rhythm;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Signal\Sighting;

/** What one port heard and said: totals, the last minute by the second, who sent, what was refused. */
final class Activity
{
    private const SECOND = 1_000_000_000;
    private const MINUTE = 60;
    private const MOST_SENDERS = 16;

    /** Whole seconds that count as lately. */
    private const LATELY = 3;

    /** One frame in so many is missing: it is unsteady (common practice, no source). */
    private const UNSTEADY_PART = 20;

    public int $received = 0;
    public int $sent = 0;
    public int $refused = 0;
    public ?int $heardAt = null;
    public ?int $sentAt = null;
    public string $heardFrom = '';
    public ?int $firstHeardAt = null;

    /** Who sent the last message: whoever is replied to. */
    public string $messageFrom = '';

    /** Rises when somebody else speaks than before. */
    public int $speakers = 0;

    /** Packets that this machine had sent itself, and when the last one came. */
    public int $own = 0;
    public ?int $ownAt = null;

    /** Frames that never came, by the gaps in their sequence numbers. */
    public int $lost = 0;

    /** What is wrong with the port itself (cannot listen, cannot send), in words; '' when nothing is. */
    public string $fault = '';

    /** @var array<string, int> packets by the address they came from */
    public array $senders = [];

    /** @var array<string, int> refused packets by reason */
    public array $refusals = [];

    /** When messages come; frames have a rhythm for each of their sources. */
    public readonly Rhythm $rhythm;

    /** Its senders of levels. */
    public readonly Streams $streams;

    private Frame|Message|Remark|null $last = null;

    /** @var array<int, int> packets received by second, in a ring of 61 */
    private array $in;

    /** @var array<int, int> */
    private array $out;

    /** @var array<int, int> frames that never came */
    private array $missing;
    private int $second = 0;

    public function __construct()
    {
        $this->in = $this->out = $this->missing = array_fill(0, self::MINUTE + 1, 0);
        $this->rhythm = new Rhythm();
        $this->streams = new Streams();
    }

    public function heard(Frame|Message|Remark|Sighting $what, string $from, int $now): void
    {
        $this->advance($now);
        if (! $what instanceof Frame) {
            $this->rhythm->beat($now);
        }
        ++$this->received;
        ++$this->in[$this->second % (self::MINUTE + 1)];
        if ($what instanceof Sighting) {
            // That somebody is there says nothing about whether levels come: a desk that went stays lost.
            $this->count($from);

            return;
        }
        $this->heardAt = $now;
        $this->firstHeardAt ??= $now;
        $this->heardFrom = $from;
        $this->last = $what;
        $this->count($from);
    }

    /** What was heard at this moment had been sent by ourselves; polls and such come back everywhere, and are not counted. */
    public function wasOwn(int $now): void
    {
        if ($this->heardAt === $now && ! $this->last instanceof Remark) {
            ++$this->own;
            $this->ownAt = $now;
        }
    }

    public function spokeLast(string $from): void
    {
        if ($from !== $this->messageFrom) {
            $this->messageFrom = $from;
            ++$this->speakers;
        }
    }

    public function said(int $now): void
    {
        $this->advance($now);
        ++$this->sent;
        ++$this->out[$this->second % (self::MINUTE + 1)];
        $this->sentAt = $now;
    }

    /** So many frames of one source never came. */
    public function missed(int $frames): void
    {
        $this->lost += $frames;
        $this->missing[$this->second % (self::MINUTE + 1)] += $frames;
    }

    /** Whether one frame in twenty, or more, never came in the last three whole seconds. */
    public function isUnsteady(int $now): bool
    {
        $this->advance($now);

        return self::UNSTEADY_PART * $this->lately($this->missing) > $this->lately($this->in);
    }

    /** @return bool whether this reason is new here */
    public function refuse(string $reason, int $times = 1): bool
    {
        $this->refused += $times;
        if (isset($this->refusals[$reason])) {
            $this->refusals[$reason] += $times;

            return false;
        }
        if (\count($this->refusals) < 32) {
            $this->refusals[$reason] = $times;

            return true;
        }

        return false;
    }

    /** Packets a second, over the last three whole seconds. */
    public function rate(int $now, bool $received): float
    {
        $this->advance($now);

        return $this->lately($received ? $this->in : $this->out) / self::LATELY;
    }

    /** @return list<int> packets in each of the last 60 whole seconds, oldest first */
    public function minute(int $now, bool $received): array
    {
        $this->advance($now);
        $ring = $received ? $this->in : $this->out;
        $minute = [];
        for ($back = self::MINUTE; $back >= 1; --$back) {
            $minute[] = $ring[($this->second - $back + self::MINUTE + 1) % (self::MINUTE + 1)];
        }

        return $minute;
    }

    public function state(Protocol $protocol, bool $receives, bool $sends, int $now): State
    {
        if ($this->fault !== '') {
            return State::Fault;
        }
        if (! $receives) {
            return match (true) {
                ! $sends => State::Off,
                $this->sentAt !== null && $now - $this->sentAt < 2 * self::SECOND => State::Alive,
                default => State::Quiet,
            };
        }
        if ($this->heardAt === null) {
            return State::Waiting;
        }
        $health = $protocol->carriesLevels() ? $this->streams->health($now) : null;
        if ($health !== null) {
            return $health[0];
        }
        if ($now - $this->heardAt < ($protocol->carriesLevels() ? $protocol->sourceLossNanos() : 3 * self::SECOND)) {
            return State::Alive;
        }

        return $protocol->carriesLevels() ? State::Lost : State::Quiet;
    }

    /** What is to be said of how it is, with figures; '' for nothing. */
    public function healthWords(int $now): string
    {
        return $this->streams->health($now)[1] ?? '';
    }

    /** The part of the frames of the last so many seconds (at most 60) that never came; null for all since it was heard first. */
    public function lossPart(int $now, ?int $seconds): float
    {
        $this->advance($now);
        $missed = $seconds === null ? $this->lost : $this->within($this->missing, $seconds);
        $came = $seconds === null ? $this->received : $this->within($this->in, $seconds);

        return $missed === 0 ? 0.0 : $missed / ($missed + $came);
    }

    public function lastWords(int $middleC = 4): string
    {
        $last = $this->last;

        return match (true) {
            $last === null => '',
            $last instanceof Frame => \strlen($last->levels).' slots of '.self::numbered($last->protocol, $last->number)
                .($last->priority === null ? '' : ", priority {$last->priority}"),
            $last instanceof Message => $last->spelled($middleC),
            default => $last->words,
        };
    }

    public static function numbered(Protocol $protocol, int $number): string
    {
        return match ($protocol) {
            Protocol::ArtNet => 'Art-Net port-address '.$number.' ('.($number >> 8).':'.($number >> 4 & 15).':'.($number & 15).')',
            Protocol::Sacn => "sACN universe {$number}",
            default => 'the line',
        };
    }

    /** @param array<int, int> $ring by second; the last three whole ones together */
    private function lately(array $ring): int
    {
        return $this->within($ring, self::LATELY);
    }

    /** @param array<int, int> $ring by second; so many whole ones together */
    private function within(array $ring, int $seconds): int
    {
        $sum = 0;
        for ($back = 1; $back <= $seconds; ++$back) {
            $sum += $ring[($this->second - $back + self::MINUTE + 1) % (self::MINUTE + 1)];
        }

        return $sum;
    }

    private function count(string $from): void
    {
        if (isset($this->senders[$from])) {
            ++$this->senders[$from];
        } elseif (\count($this->senders) < self::MOST_SENDERS) {
            $this->senders[$from] = 1;
        }
    }

    private function advance(int $now): void
    {
        $second = intdiv($now, self::SECOND);
        $steps = $second - $this->second;
        if ($steps <= 0) {
            return;
        }
        for ($step = 1; $step <= min($steps, self::MINUTE + 1); ++$step) {
            $this->in[($this->second + $step) % (self::MINUTE + 1)] = 0;
            $this->out[($this->second + $step) % (self::MINUTE + 1)] = 0;
            $this->missing[($this->second + $step) % (self::MINUTE + 1)] = 0;
        }
        $this->second = $second;
    }
}
