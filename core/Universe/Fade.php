<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\WideParameters;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\State\Stored;

/** Levels on their way to black or to a look; a wide parameter goes there as a whole value. */
final class Fade
{
    /** How often a fade moves: as often as a full universe can be sent. */
    public const STEP_NANOS = 22_700_000;
    private const LONGEST_NANOS = 86_400_000_000_000;

    /**
     * @param string $from 512 bytes
     * @param string $to 512 bytes; '' for black
     */
    public function __construct(
        private readonly string $from,
        private readonly string $to,
        private readonly int $beganAt,
        private readonly int $nanos,
    ) {
    }

    /** @return array<string, mixed> for resume(), ready for JSON; times are elapsed ones, as clocks begin anew */
    public function kept(int $now): array
    {
        return [
            'from' => base64_encode($this->from),
            'to' => base64_encode($this->to),
            'elapsed' => $now - $this->beganAt,
            'nanos' => $this->nanos,
        ];
    }

    /** @param int $away nanoseconds since it was written down */
    public static function resume(Stored $stored, int $now, int $away): ?self
    {
        $from = $stored->bytes('from', Frame::SLOTS);
        $elapsed = $stored->whole('elapsed', 0, self::LONGEST_NANOS);
        $nanos = $stored->whole('nanos', 0, self::LONGEST_NANOS);
        if ($from === '' || $elapsed === null || $nanos === null) {
            return null;
        }

        return new self($from, $stored->bytes('to', Frame::SLOTS), $now - $elapsed - $away, $nanos);
    }

    public function isOver(int $now): bool
    {
        return $now - $this->beganAt >= $this->nanos;
    }

    /** @return string 512 bytes */
    public function levels(int $now, WideParameters $wide = new WideParameters()): string
    {
        $left = max(0.0, min(1.0, 1 - ($now - $this->beganAt) / max(1, $this->nanos)));
        $levels = $this->to === '' ? $this->toBlack($left) : $this->toLook($left);
        foreach ($wide->all() as $slots) {
            $from = $wide->value($this->from, $slots[0]);
            $to = $this->to === '' ? 0 : $wide->value($this->to, $slots[0]);
            $levels = WideParameters::lay($levels, $slots, (int) round($to + ($from - $to) * $left));
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
