<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn\Link;

use NimbleJunction\StandIn\Values;
use Revolt\EventLoop;

/**
 * Bad habits of real devices and networks, each behind a switch: packets that
 * are lost or late, a keep-alive that is too slow, a universe number that is
 * off by one, two OSC ports that are swapped, a strip that is wired otherwise.
 */
final class Habits
{
    public const LOSS = 'loss';
    public const JITTER = 'jitter';
    public const SLOW = 'slow';
    public const WRONG_UNIVERSE = 'wrong-universe';
    public const SWAPPED = 'swapped';
    public const STRAIGHT = 'straight';
    public const OTHER_COLOURS = 'other-colours';
    public const ALL = [
        self::LOSS,
        self::JITTER,
        self::SLOW,
        self::WRONG_UNIVERSE,
        self::SWAPPED,
        self::STRAIGHT,
        self::OTHER_COLOURS,
    ];

    private const LOST_OF_100 = 20;
    private const LATEST_SECONDS = 0.06;

    /** @var array<string, bool> by habit; only those that its device can have */
    private array $on;

    public function __construct(string ...$known)
    {
        $this->on = array_fill_keys($known, false);
    }

    public function has(string $habit): bool
    {
        return $this->on[$habit] ?? false;
    }

    /** @param array<mixed> $values habit, and on or off */
    public function play(array $values): void
    {
        $this->on[Values::word($values, 'habit', array_keys($this->on))] = Values::flag($values, 'on');
    }

    /** @return object for its panel: which are known, which are on */
    public function state(): object
    {
        return (object) $this->on;
    }

    /** @param \Closure(): void $send what is sent now, or a little later, or never */
    public function send(\Closure $send): void
    {
        if ($this->has(self::LOSS) && random_int(1, 100) <= self::LOST_OF_100) {
            return;
        }
        if ($this->has(self::JITTER)) {
            EventLoop::delay(self::LATEST_SECONDS * random_int(0, 1000) / 1000, $send);

            return;
        }
        $send();
    }
}
