<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Pixels\PixelMap;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Signal\Frame;

/**
 * A dot that shows how pixels are wired: one pixel of a map is full, all others are dark, and everything is as before when
 * it is let go (0). With a speed it runs along the line, for as long as a hold of a dot lasts.
 */
final class Dots extends PlanRoom
{
    private const SPEED = 'speed';
    private const FASTEST = 50.0;

    /** Longer than other holds: large panels take their time. */
    private const HOLD_NANOS = 600_000_000_000;

    /** When the next dot moves on. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, array{speed: float, next: int, until: int, by: string}> dots that run, by map */
    private array $running = [];

    /** @var array<string, int> where each dot is, from 1, by map */
    private array $at = [];

    /** @param \Closure(): Changes $changes */
    public function __construct(private readonly Universes $universes, private readonly \Closure $changes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['dot'];
    }

    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        $map = $this->map($reference);
        if ($map === null) {
            return null;
        }
        $isSpeed = $reference->part === self::SPEED;
        $most = $isSpeed ? self::FASTEST : (float) $map->wiring->count;
        $name = $this->plan->pixels->saidOfDot($reference->id, $reference->part);

        return new Point(
            $reference,
            $name,
            PointKind::Level,
            0.0,
            $most,
            $isSpeed ? 'pixels/s' : '',
            isSet: true,
            isPressed: ! $isSpeed,
        );
    }

    /** The number of its pixel, 0 for none; or pixels a second. */
    public function read(Reference $reference): int|float|null
    {
        $map = $this->map($reference);

        return match (true) {
            $map === null => null,
            $reference->part === self::SPEED => $this->running[$reference->id]['speed'] ?? 0.0,
            default => $this->where($map),
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $map = $this->map($reference);
        if ($map === null) {
            return 'there is no such pixel map';
        }
        $most = $reference->part === self::SPEED ? self::FASTEST : $map->wiring->count;
        if (! is_numeric($value) || $value < 0 || $value > $most) {
            return $reference->part === self::SPEED
                ? 'a dot runs at 0 to '.self::FASTEST.' pixels a second'
                : "a dot is on a pixel from 1 to {$most}, or let go with 0";
        }
        if ($reference->part === self::SPEED) {
            $this->run($map, (float) $value, $act->name, $now);
        } elseif ((int) $value === 0) {
            $this->darken($map, $now);
        } else {
            $this->stand($map, (int) $value, $act->name, $now + self::HOLD_NANOS, $now);
        }
        ($this->changes)()->lookSoon();

        return '';
    }

    /** It goes one pixel on, and begins again after the last one. */
    public function press(Reference $reference, Act $act, int $now): string
    {
        $map = $this->map($reference);
        if ($map === null || $reference->part !== '') {
            return 'there is no such dot';
        }

        return $this->set($reference, $this->where($map) % $map->wiring->count + 1, $act, $now);
    }

    /** Dots that run go on. */
    public function passes(int $now): void
    {
        $this->dueAt = \PHP_INT_MAX;
        foreach ($this->running as $id => $dot) {
            $map = $this->plan->pixels->maps[$id] ?? null;
            $where = $map === null ? 0 : $this->where($map);
            if ($map === null || $where === 0) {
                unset($this->running[$id]);

                continue;
            }
            if ($dot['next'] <= $now) {
                $this->stand($map, $where % $map->wiring->count + 1, $dot['by'], $dot['until'], $now);
                $dot['next'] = max($now, $dot['next']) + (int) round(1e9 / $dot['speed']);
                $this->running[$id] = $dot;
                ($this->changes)()->lookSoon();
            }
            $this->dueAt = min($this->dueAt, $dot['next']);
        }
    }

    public function all(): iterable
    {
        foreach (array_keys($this->plan->pixels->maps) as $id) {
            foreach (['', '/'.self::SPEED] as $part) {
                $reference = Reference::parse("dot:{$id}{$part}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }

    private function map(Reference $reference): ?PixelMap
    {
        return \in_array($reference->part, ['', self::SPEED], true) ? $this->plan->pixels->maps[$reference->id] ?? null : null;
    }

    private function run(PixelMap $map, float $speed, string $by, int $now): void
    {
        unset($this->running[$map->id]);
        if ($speed > 0.0) {
            $until = $now + self::HOLD_NANOS;
            $this->stand($map, max(1, $this->where($map)), $by, $until, $now);
            $this->running[$map->id] = [
                'speed' => $speed,
                'next' => $now + (int) round(1e9 / $speed),
                'until' => $until,
                'by' => $by,
            ];
        }
        $next = array_column($this->running, 'next');
        $this->dueAt = $next === [] ? \PHP_INT_MAX : min($next);
    }

    /** Where it is already until then, only two pixels change. */
    private function stand(PixelMap $map, int $pixel, string $by, int $until, int $now): void
    {
        $where = $this->where($map);
        $isThere = $where > 0 && $this->isHeld($map, $where, $until);
        if (! $isThere) {
            $this->darken($map, $now);
        }
        foreach ($isThere ? $this->ofPixels($map, [$where => 0, $pixel => 255]) : $this->ofAll($map, $pixel) as $id => $levels) {
            $universe = $this->universes->find((string) $id);
            if ($universe !== null) {
                $before = $universe->levels;
                Spotlight::light($universe, $levels, self::what($map), $by, $until);
                ($this->changes)()->note($universe, $before, null);
            }
        }
        $this->at[$map->id] = $pixel;
        $this->universes->dueAt = min($this->universes->dueAt, $until);
    }

    private function darken(PixelMap $map, int $now): void
    {
        unset($this->running[$map->id], $this->at[$map->id]);
        foreach ($this->universes->all() as $universe) {
            $before = $universe->levels;
            Spotlight::letGo($universe, self::what($map), $now);
            ($this->changes)()->note($universe, $before, null);
        }
    }

    /**
     * @param array<int, int> $pixels level by number, from 1
     *
     * @return array<string, array<int, int>> level by universe and slot
     */
    private function ofPixels(PixelMap $map, array $pixels): array
    {
        $levels = [];
        foreach ($pixels as $pixel => $level) {
            foreach ($map->wiring->slots($pixel - 1) as $slot) {
                $levels[$map->universes[intdiv($slot, Frame::SLOTS)]][$slot % Frame::SLOTS] = $level;
            }
        }

        return $levels;
    }

    /** @return array<string, array<int, int>> */
    private function ofAll(PixelMap $map, int $pixel): array
    {
        return $this->ofPixels($map, [$pixel => 255] + array_fill(1, $map->wiring->count, 0));
    }

    /** @return int from 1; 0 where there is no dot */
    private function where(PixelMap $map): int
    {
        $known = $this->at[$map->id] ?? 0;
        if ($known > 0 && $known <= $map->wiring->count && $this->isHeld($map, $known)) {
            return $known;
        }
        // After a restart, or an edit of the map, the holds alone know.
        foreach ($map->universes as $place => $id) {
            foreach ($this->universes->find($id)?->wayOut()->lighting(self::what($map)) ?? [] as $slot => $hold) {
                $found = $hold->level === 255 ? $map->wiring->at($place * Frame::SLOTS + $slot) : null;
                if ($found !== null) {
                    return $this->at[$map->id] = $found[0] + 1;
                }
            }
        }

        return 0;
    }

    /** @param int|null $until when that is over; null for whenever */
    private function isHeld(PixelMap $map, int $pixel, ?int $until = null): bool
    {
        $slot = $map->wiring->slots($pixel - 1)[0];
        $universe = $this->universes->find($map->universes[intdiv($slot, Frame::SLOTS)]);
        $hold = ($universe?->wayOut()->holds() ?? [])[$slot % Frame::SLOTS] ?? null;

        return $hold?->lights === self::what($map) && $hold->level === 255 && ($until === null || $hold->until === $until);
    }

    /** No fixture has a colon in its id. */
    private static function what(PixelMap $map): string
    {
        return "dot:{$map->id}";
    }
}
