<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\Show;

/** A junction with a show, and a clock that a script moves: no socket, and no time but the script's own. */
final class Stage
{
    /** Where the clock stands at second 0 of a script; whatever a junction compares with "long ago" lies before it. */
    private const BEGIN = 1_000_000_000_000;

    /** A junction that wants to be woken so often at one moment will want it for ever. */
    private const MOST_WAKES = 10_000;

    public Junction $junction;
    public Show $show;

    public function __construct(private readonly Compiler $compiler, Show $show)
    {
        $this->junction = new Junction();
        $this->show = $show;
        $this->adopt($show, self::BEGIN);
    }

    /** @param float $seconds since the script's beginning */
    public static function nanos(float $seconds): int
    {
        return self::BEGIN + (int) round($seconds * 1e9);
    }

    public static function seconds(int $nanos): float
    {
        return round(($nanos - self::BEGIN) / 1e9, 9);
    }

    /** @return list<OutgoingPacket> */
    public function adopt(Show $show, int $now): array
    {
        $this->show = $show;

        return $this->junction->adopt($this->compiler->compile($show), $now);
    }

    /**
     * Begins with what an engine has written down, as if it had been written at this very moment.
     *
     * @param array<mixed> $state
     */
    public function restore(array $state): void
    {
        $this->junction->restore($state, self::BEGIN);
    }

    /** As after kill -9: another junction, with what the first one had written down. */
    public function restart(int $now): void
    {
        $state = json_decode(
            json_encode($this->junction->rooms()->state($now), \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE),
            true,
            flags: \JSON_THROW_ON_ERROR,
        );
        $this->junction = new Junction();
        $this->junction->adopt($this->compiler->compile($this->show), $now);
        $this->junction->restore(\is_array($state) ? $state : [], $now);
    }

    /** The key of the endpoint that a port of the show receives at; null when it does not. */
    public function endpointOf(string $portId): ?string
    {
        foreach ($this->junction->plan()->endpoints as $key => $endpoint) {
            if (\in_array($portId, $endpoint->portIds, true)) {
                return $key;
            }
        }

        return null;
    }

    /**
     * Lets time pass, waking the junction at each moment that it names.
     *
     * @return iterable<int, list<OutgoingPacket>> what leaves, by the moment
     *
     * @throws CannotGoOn
     */
    public function passUntil(int $from, int $until): iterable
    {
        $now = $from;
        for ($wakes = 0; $this->junction->dueAt() <= $until; ++$wakes) {
            $at = max($this->junction->dueAt(), $now);
            $wakes = $at > $now ? 0 : $wakes;
            if ($wakes > self::MOST_WAKES) {
                throw new CannotGoOn('at second '.self::seconds($at).' it wants to be woken again and again');
            }
            $now = $at;
            yield $now => $this->junction->wake($now);
        }
    }
}
