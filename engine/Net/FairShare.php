<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/**
 * When more comes to a socket than can be dealt with for longer than a moment, each sender gets a fair
 * share of what can: one that floods takes nothing from a desk that sends at
 * its usual rate. Of very many senders that nobody knew before, those beyond a few
 * share one share: somebody makes up their names.
 */
final class FairShare
{
    /** What is left to a sender in one window, however crowded it is: 400 datagrams a second. */
    private const LEAST = 40;
    /** Windows in a row that it does not keep up: before, what has come waits in the system's own queue and is made up for. */
    public const PATIENCE = 10;
    private const MOST_KNOWN = 1024;
    private const MOST_NEW = 64;
    private const STRANGERS = '';

    /** Datagrams left out because their sender had had its share. */
    private int $leftOut = 0;

    /** What each sender may have within a window; null while there is room for all. */
    private ?int $share = null;

    /** How many windows in a row it has not kept up, and the most that was taken in one of them. */
    private int $behind = 0;
    private int $most = 0;

    /** @var array<string, int> taken in this window, by sender */
    private array $taken = [];

    /** @var array<string, true> senders heard while there was room for all */
    private array $known = [];

    public function takes(string $sender): bool
    {
        if ($this->share === null) {
            $this->taken[$sender] = ($this->taken[$sender] ?? 0) + 1;

            return true;
        }
        // Newcomers have a share of their own too, as long as they are few: more of them are one sender with many names.
        $isOne = isset($this->known[$sender]) || isset($this->taken[$sender]) || \count($this->taken) < self::MOST_NEW;
        $who = $isOne ? $sender : self::STRANGERS;
        $taken = $this->taken[$who] ?? 0;
        if ($taken >= $this->share) {
            ++$this->leftOut;

            return false;
        }
        $this->taken[$who] = $taken + 1;

        return true;
    }

    /**
     * A window is over.
     *
     * @param bool $keptUp whether the socket was empty at some moment of it
     *
     * @return int how many datagrams were left out in it
     */
    public function next(bool $keptUp): int
    {
        $leftOut = $this->leftOut;
        $all = (int) array_sum($this->taken);
        $this->behind = $keptUp ? 0 : $this->behind + 1;
        $this->most = $keptUp ? 0 : max($this->most, $all);
        if ($this->share === null && $keptUp) {
            // Whoever was heard now stands at the end; of too many those that were not heard for longest are forgotten.
            $heard = array_fill_keys(array_keys($this->taken), true);
            $this->known = \array_slice(array_diff_key($this->known, $heard) + $heard, -self::MOST_KNOWN, null, true);
        } elseif (! $keptUp && ($this->share !== null || $this->behind >= self::PATIENCE)) {
            $room = $this->share === null ? $this->most : $all;
            $this->share = max(self::LEAST, intdiv((int) ($room * 0.7), max(1, \count($this->taken))));
        } elseif (! $keptUp) {
            // A moment of something else, and no flood: it is made up for.
        } elseif ($this->leftOut === 0) {
            // Nobody was left out: there is room for all again.
            $this->share = null;
        } else {
            $this->share = (int) ($this->share * 1.1) + 1;
        }
        $this->leftOut = 0;
        $this->taken = [];

        return $leftOut;
    }
}
