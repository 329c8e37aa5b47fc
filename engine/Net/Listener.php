<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use Revolt\EventLoop;

/**
 * Reads one socket as datagrams come. While many come, being woken for each
 * costs more than the datagram itself: then the socket is looked at every
 * millisecond or two instead. A quiet port answers at once, a crowded one in batches,
 * and where even that does not keep up each sender gets its fair share.
 */
final class Listener
{
    /** Datagrams taken before other sockets have their turn: a flood on one must not starve the rest. */
    private const TURN = 96;

    /** Those that are only left out cost little, but not nothing. */
    private const MOST_LOOKED_AT = 800;

    /** Levels can wait for two milliseconds: no lamp shows that. */
    public const OF_LEVELS = 0.002;

    /** A message is somebody's finger. */
    public const OF_MESSAGES = 0.001;
    private const WINDOW_NANOS = 100_000_000;

    /** Datagrams within a window from which on it is crowded, and under which it is quiet again. */
    private const CROWDED = 150;
    private const QUIET = 75;

    private readonly string $onReadable;
    private ?string $pacer = null;
    private ?string $again = null;
    private int $windowEnds = 0;
    private int $inWindow = 0;
    private bool $wasEmpty = false;
    private readonly FairShare $share;

    /**
     * @param int $longest bytes of a datagram that are read
     * @param \Closure(string, string, int): void $arrived bytes, sender's address, sender's port
     * @param \Closure(): void $drained called after each look at the socket
     * @param float $pace seconds between two looks where it is crowded
     * @param (\Closure(int): void)|null $leftOut told how many datagrams of a tenth of a second had no place in their senders' shares
     */
    public function __construct(
        public readonly UdpSocket $socket,
        private readonly int $longest,
        private readonly \Closure $arrived,
        private readonly \Closure $drained,
        private readonly float $pace = self::OF_LEVELS,
        private readonly ?\Closure $leftOut = null,
    ) {
        $this->share = new FairShare();
        $this->onReadable = EventLoop::onReadable($socket->stream(), $this->read(...));
    }

    /** Whether the socket is looked at, and $drained called, at a pace of its own. */
    public function isPaced(): bool
    {
        return $this->pacer !== null;
    }

    public function close(): void
    {
        EventLoop::cancel($this->onReadable);
        EventLoop::cancel($this->pacer ?? '');
        EventLoop::cancel($this->again ?? '');
        $this->socket->close();
    }

    private function read(): void
    {
        $taken = 0;
        $isEmpty = false;
        for ($looked = 0; $taken < self::TURN && $looked < self::MOST_LOOKED_AT; ++$looked) {
            $datagram = $this->socket->receive($this->longest);
            if ($datagram === null) {
                $isEmpty = true;
                break;
            }
            if ($this->share->takes($datagram[1])) {
                ++$taken;
                $this->handOver(...$datagram);
            }
        }
        $this->inWindow += $looked;
        $this->wasEmpty = $this->wasEmpty || $isEmpty;
        $this->choosePace((int) hrtime(true));
        if (! $isEmpty && $this->pacer !== null) {
            $this->again ??= EventLoop::defer(function (): void {
                $this->again = null;
                $this->read();
            });
        }
        ($this->drained)();
    }

    /** A fault with one datagram keeps nothing from the next. */
    private function handOver(string $bytes, string $from, int $port): void
    {
        try {
            ($this->arrived)($bytes, $from, $port);
        } catch (\Throwable $fault) {
            EventLoop::queue(static fn() => throw $fault);
        }
    }

    private function choosePace(int $now): void
    {
        if ($now < $this->windowEnds) {
            return;
        }
        if ($this->pacer === null && $this->inWindow >= self::CROWDED) {
            EventLoop::disable($this->onReadable);
            $this->pacer = EventLoop::repeat($this->pace, $this->read(...));
        } elseif ($this->pacer !== null && $this->inWindow < self::QUIET) {
            EventLoop::cancel($this->pacer);
            $this->pacer = null;
            EventLoop::enable($this->onReadable);
        }
        $leftOut = $this->share->next($this->wasEmpty);
        if ($leftOut > 0 && $this->leftOut !== null) {
            ($this->leftOut)($leftOut);
        }
        $this->wasEmpty = false;
        $this->inWindow = 0;
        $this->windowEnds = $now + self::WINDOW_NANOS;
    }
}
