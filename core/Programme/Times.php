<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Patch\ParameterKind;

/** How long a change takes: up and down apart for intensities, and otherwise for kinds that say so. */
final readonly class Times
{
    public const LONGEST = 3600.0;

    private const NANOS = 1e9;

    /**
     * @param float $up seconds in which intensities rise, and everything else travels
     * @param float $down seconds in which intensities fall
     * @param float $delay seconds before it begins
     * @param list<KindTime> $kinds
     */
    public function __construct(
        public float $up = 0.0,
        public float $down = 0.0,
        public float $delay = 0.0,
        public array $kinds = [],
    ) {
    }

    /** @return int nanoseconds before a kind of parameters begins */
    public function delayOf(ParameterKind $kind): int
    {
        return (int) round(($this->delay + ($this->of($kind)->delay ?? 0.0)) * self::NANOS);
    }

    /** @return int nanoseconds that a kind of parameters takes */
    public function nanosOf(ParameterKind $kind, bool $rises): int
    {
        $own = $this->of($kind);
        if ($own?->jumps === true) {
            return 0;
        }
        $seconds = $own->fade ?? ($kind === ParameterKind::Intensity && ! $rises ? $this->down : $this->up);

        return (int) round($seconds * self::NANOS);
    }

    public function jumps(ParameterKind $kind): bool
    {
        return $this->of($kind)?->jumps === true;
    }

    /** The longest that any of it takes, its delay counted in, in nanoseconds. */
    public function longest(): int
    {
        $longest = (int) round((max($this->up, $this->down) + $this->delay) * self::NANOS);
        foreach ($this->kinds as $own) {
            $longest = max(
                $longest,
                (int) round(
                    ($this->delay + $own->delay + ($own->jumps ? 0.0 : $own->fade ?? max($this->up, $this->down))) * self::NANOS,
                ),
            );
        }

        return $longest;
    }

    private function of(ParameterKind $kind): ?KindTime
    {
        foreach ($this->kinds as $own) {
            if ($own->kind === $kind) {
                return $own;
            }
        }

        return null;
    }
}
