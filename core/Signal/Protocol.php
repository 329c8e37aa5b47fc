<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/** How a port speaks. The value is the word in the show document. */
enum Protocol: string
{
    case ArtNet = 'art-net';
    case Sacn = 'sacn';
    case Osc = 'osc';
    case DmxLine = 'dmx-line';
    case Midi = 'midi';
    case GameController = 'controller';

    public function spelled(): string
    {
        return match ($this) {
            self::ArtNet => 'Art-Net',
            self::Sacn => 'sACN',
            self::Osc => 'OSC',
            self::DmxLine => 'DMX line',
            self::Midi => 'MIDI',
            self::GameController => 'Game controller',
        };
    }

    /** How long a source of levels may be silent before it counts as lost, in nanoseconds. */
    public function sourceLossNanos(): int
    {
        return match ($this) {
            self::ArtNet => 10_000_000_000, // Art-Net 4, "merging": a source silent for 10 s leaves the merge (from memory)
            self::Sacn => 2_500_000_000,    // ANSI E1.31-2018, 6.7.1: E131_NETWORK_DATA_LOSS_TIMEOUT
            self::DmxLine, self::Osc, self::Midi, self::GameController => 1_000_000_000, // ANSI E1.11, 9.2: 1 s without data
        };
    }

    /** How far packet number $new is from $last, when it follows; both 0 to 255. Art-Net leaves 0 out, as it says "not used". */
    public function sequenceStep(int $last, int $new): int
    {
        $step = ($new - $last) & 255;

        return $step > 127 ? 1 : ($this === self::ArtNet && $new < $last ? $step - 1 : $step);
    }

    /** Whether packet number $new may follow $last. Both 0 to 255. */
    public function sequenceFollows(int $last, int $new): bool
    {
        $step = ($new - $last) & 255;
        $step = $step > 127 ? $step - 256 : $step;

        // ANSI E1.31-2018, 6.7.2: discard when the step lies in (−20, 0]. Art-Net names no window;
        // the same one is used, but a number that stays the same is let through (from memory).
        return $step > ($this === self::Sacn ? 0 : -1) || $step <= -20;
    }

    public function carriesLevels(): bool
    {
        return $this === self::ArtNet || $this === self::Sacn || $this === self::DmxLine;
    }
}
