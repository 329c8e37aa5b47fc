<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

/** The faders of a simulated desk, and what it can play by itself: a slow wave, or a chase. */
final class Faders
{
    public const COUNT = 12;
    public const MOTIONS = ['still', 'wave', 'chase'];
    public string $motion = 'still';

    /** @var array<int, int> levels by fader, from 0 */
    public array $levels;

    public function __construct()
    {
        $this->levels = array_fill(0, self::COUNT, 0);
    }

    public function set(int $fader, int $level): void
    {
        $this->levels[$fader - 1] = $level;
    }

    /**
     * @param float $seconds of any clock
     *
     * @return list<int> what the desk sends
     */
    public function playing(float $seconds): array
    {
        $levels = [];
        foreach ($this->levels as $i => $level) {
            $levels[] = match ($this->motion) {
                'wave' => (int) round(127.5 + 127.5 * sin(2 * \M_PI * ($seconds / 6 - $i / self::COUNT))),
                'chase' => (int) floor($seconds * 4) % self::COUNT === $i ? 255 : $level,
                default => $level,
            };
        }

        return $levels;
    }

    /** @return string 512 bytes */
    public function slots(float $seconds): string
    {
        return str_pad(implode('', array_map(\chr(...), $this->playing($seconds))), 512, "\0");
    }
}
