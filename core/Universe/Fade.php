<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** Levels on their way to black or to a look. A slot that is set while they fade leaves the fade and keeps what it was set to. */
final class Fade
{
    /** How often a fade moves: as often as a full universe can be sent. */
    public const STEP_NANOS = 22_700_000;

    /** @var array<int, string> level as a byte, by slot that has left the fade */
    private array $left = [];

    /**
     * @param string $from 512 bytes
     * @param string $to 512 bytes; '' for black
     */
    public function __construct(private readonly string $from, private readonly string $to, private readonly int $beganAt, private readonly int $nanos)
    {
    }

    public function isOver(int $now): bool
    {
        return $now - $this->beganAt >= $this->nanos;
    }

    public function leave(int $slot, string $level): void
    {
        $this->left[$slot] = $level;
    }

    /** @return string 512 bytes */
    public function levels(int $now): string
    {
        $left = max(0.0, min(1.0, 1 - ($now - $this->beganAt) / max(1, $this->nanos)));
        $levels = $this->to === '' ? $this->toBlack($left) : $this->toLook($left);
        foreach ($this->left as $slot => $level) {
            $levels[$slot] = $level;
        }

        return $levels;
    }

    private function toBlack(float $left): string
    {
        $all = $scaled = '';
        for ($level = 0; $level < 256; ++$level) {
            $all .= \chr($level);
            $scaled .= \chr((int) round($level * $left));
        }

        return strtr($this->from, $all, $scaled);
    }

    private function toLook(float $left): string
    {
        $levels = '';
        for ($slot = 0, $slots = \strlen($this->from); $slot < $slots; ++$slot) {
            $to = \ord($this->to[$slot]);
            $levels .= \chr((int) round($to + (\ord($this->from[$slot]) - $to) * $left));
        }

        return $levels;
    }
}
