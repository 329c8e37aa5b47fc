<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\State\Stored;

/** Levels on their way to black or to a look. A slot that is set while they fade leaves the fade and keeps what it was set to. */
final class Fade
{
    /** How often a fade moves: as often as a full universe can be sent. */
    public const STEP_NANOS = 22_700_000;
    private const LONGEST_NANOS = 86_400_000_000_000;

    /** @var array<int, string> level as a byte, by slot that has left the fade */
    private array $left = [];

    /**
     * @param string $from 512 bytes
     * @param string $to 512 bytes; '' for black
     */
    public function __construct(private readonly string $from, private readonly string $to, private readonly int $beganAt, private readonly int $nanos)
    {
    }

    /** @return array<string, mixed> for resume(), ready for JSON; times are elapsed ones, as clocks begin anew */
    public function kept(int $now): array
    {
        return [
            'from' => base64_encode($this->from),
            'to' => base64_encode($this->to),
            'elapsed' => $now - $this->beganAt,
            'nanos' => $this->nanos,
            'left' => base64_encode(implode('', array_map(static fn(int $slot, string $level): string => pack('n', $slot).$level, array_keys($this->left), $this->left))),
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
        $fade = new self($from, $stored->bytes('to', Frame::SLOTS), $now - $elapsed - $away, $nanos);
        foreach (str_split($stored->bytes('left'), 3) as $entry) {
            $slot = \strlen($entry) === 3 ? \ord($entry[0]) << 8 | \ord($entry[1]) : Frame::SLOTS;
            if ($slot < Frame::SLOTS) {
                $fade->leave($slot, $entry[2]);
            }
        }

        return $fade;
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
