<?php

declare(strict_types=1);

namespace NimbleJunction\Bench\Support;

use NimbleJunction\Core\Wire\ArtNet\Dmx;

/**
 * Two desks that send Art-Net for many universes at a steady rate, and the
 * node that hears what comes back. The first eight slots of the first desk
 * carry the time of sending; the second desk leaves them at zero, so that they
 * survive a merge by highest level.
 */
final class Traffic
{
    private const PORT = 6454;
    private const STAMP = 18;
    private const SEQUENCE = 12;

    /** Between two frames of a universe at 44 a second. */
    private const FRAME_NANOS = 22_727_273;

    /** @var list<\Socket> */
    private array $desks;
    private \Socket $node;
    public int $sent = 0;
    public int $heard = 0;

    /** Frames that never left, as a newer one of their universe took their place. */
    public int $superseded = 0;

    /** @var list<float> microseconds from sending to hearing, of frames that the output's rate limit did not keep back */
    public array $lateness = [];

    public function __construct(private readonly string $net)
    {
        $this->desks = [$this->socket("{$net}.11"), $this->socket("{$net}.12")];
        $this->node = $this->socket("{$net}.21");
    }

    /**
     * @param int $gap nanoseconds that an output waits between two frames
     * @param bool $isAllMoving every slot moves with every frame; otherwise a few do
     */
    public function run(int $universes, float $rate, float $seconds, int $gap, string $to, bool $isAllMoving = false): void
    {
        $noise = array_map(static fn(): string => random_bytes(496), range(1, 64));
        mt_srand(64);
        $frames = [];
        for ($number = 0; $number < $universes; ++$number) {
            foreach ([0, 1] as $desk) {
                $frames[] = [$desk, (new Dmx($number, str_repeat("\0", 16).random_bytes(496), 1))->encode(), 0];
            }
        }
        $count = \count($frames);
        $each = 1e9 / ($rate * $count);
        $begin = hrtime(true);
        $end = $begin + (int) ($seconds * 1e9);
        $leftAt = [];
        for ($i = 0; ($now = hrtime(true)) < $end;) {
            for ($burst = 0; $burst < 32 && $now >= $begin + $i * $each; ++$burst, ++$i) {
                [$desk, $bytes, $turn] = $frames[$i % $count];
                $bytes[self::SEQUENCE] = \chr($turn % 255 + 1);
                if ($isAllMoving) {
                    $bytes = substr_replace($bytes, $noise[($turn + $i) & 63], self::STAMP + 16, 496);
                }
                $bytes[self::STAMP + 20 + $turn % 400] = \chr($turn & 255);
                if ($desk === 0) {
                    $bytes = substr_replace($bytes, pack('J', hrtime(true)), self::STAMP, 8);
                }
                $frames[$i % $count][2] = $turn + 1;
                socket_sendto($this->desks[$desk], $bytes, \strlen($bytes), 0, $to, self::PORT);
                ++$this->sent;
            }
            while (@socket_recvfrom($this->node, $bytes, 2048, \MSG_DONTWAIT, $from, $port) !== false) {
                $this->hear($bytes, hrtime(true), $gap, $leftAt);
            }
        }
        for ($end = hrtime(true) + 200_000_000; hrtime(true) < $end;) {
            while (@socket_recvfrom($this->node, $bytes, 2048, \MSG_DONTWAIT, $from, $port) !== false) {
                $this->hear($bytes, hrtime(true), $gap, $leftAt);
            }
        }
    }

    public function nodeDropped(): int
    {
        return Subject::dropped("{$this->net}.21", self::PORT);
    }

    /** @param array<int, array{int, int}> $leftAt by universe: time of hearing, and stamp */
    private function hear(string $bytes, int $now, int $gap, array &$leftAt): void
    {
        ++$this->heard;
        $universe = \ord($bytes[14]) | \ord($bytes[15]) << 8;
        $stamp = unpack('J', $bytes, self::STAMP)[1];
        [$before, $shown] = $leftAt[$universe] ?? [0, 0];
        $this->superseded += $stamp > 0 && $shown > 0 && $stamp - $shown > 1.5 * self::FRAME_NANOS
            ? (int) round(($stamp - $shown) / self::FRAME_NANOS) - 1
            : 0;
        if ($stamp !== $shown && $stamp > 0) {
            $this->lateness[] = ($now - max($stamp, $before + $gap)) / 1000;
        }
        $leftAt[$universe] = [$now, $stamp];
    }

    private function socket(string $address): \Socket
    {
        $socket = socket_create(\AF_INET, \SOCK_DGRAM, \SOL_UDP);
        socket_set_option($socket, \SOL_SOCKET, \SO_RCVBUF, 4 * 1024 * 1024);
        socket_bind($socket, $address, self::PORT);

        return $socket;
    }

    public function close(): void
    {
        array_map(socket_close(...), [...$this->desks, $this->node]);
    }
}
