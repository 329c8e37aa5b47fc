<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Engine\Health\Warnings;

/**
 * How many files and sockets this process has open. The event loop waits with
 * select(), which cannot take those from number 1024 on: whoever comes from
 * outside is let in only while there is room, so that the show's own are safe.
 */
final class Descriptors
{
    /** For what comes from outside; the rest of a thousand is for sockets of the show, files and what the system needs. */
    public const MOST_FROM_OUTSIDE = 700;
    public const MOST = 980;

    /** Counting them means reading a folder of the system: not more often than this. */
    private const COUNT_NANOS = 250_000_000;

    private int $counted = 0;
    private int $countedAt = 0;

    public function __construct(private readonly ?Warnings $warnings = null)
    {
    }

    /** What is open now, as counted lately, with those that came since. */
    public function open(): int
    {
        $now = (int) hrtime(true);
        if ($this->countedAt === 0 || $now - $this->countedAt > self::COUNT_NANOS) {
            $this->counted = \count(@scandir('/proc/self/fd') ?: []);
            $this->countedAt = $now;
        }

        return $this->counted;
    }

    /** Whether somebody from outside may come in; one too many is told. */
    public function letIn(string $where): bool
    {
        if ($this->open() >= self::MOST_FROM_OUTSIDE) {
            $this->warnings?->raise(
                'descriptors',
                "More connections come in than there is room for ({$this->counted} files and sockets are open): a new one at {$where} was closed at once. Who opens so many?",
            );

            return false;
        }
        ++$this->counted;
        if ($this->counted < self::MOST_FROM_OUTSIDE / 2) {
            $this->warnings?->clear('descriptors');
        }

        return true;
    }

    /** @throws CannotListen when the show itself wants more sockets than can be waited on */
    public function take(string $where): void
    {
        if ($this->open() >= self::MOST) {
            throw new CannotListen(
                "{$where} cannot be opened: this engine has {$this->counted} files and sockets open, and cannot wait on more. Use fewer addresses, or a second junction.",
            );
        }
        ++$this->counted;
    }
}
