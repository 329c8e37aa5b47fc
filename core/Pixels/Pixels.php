<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels;

use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Core\Signal\Frame;

/** All pixel maps of a show, and what each takes of which universe. */
final readonly class Pixels
{
    /** @var array<string, array<int, PixelRun>> by map, and by the place of the universe in it */
    private array $byMap;

    /** @param array<string, PixelMap> $maps by id */
    public function __construct(public array $maps = [])
    {
        $this->byMap = array_map(static fn(PixelMap $map): array => $map->runs(), $maps);
    }

    /** @return list<PixelRun> of all maps */
    public function runs(): array
    {
        return array_merge(...array_values($this->byMap));
    }

    /** @return list<PixelRun> what a map takes of its universes, in their order */
    public function of(string $map): array
    {
        return array_values($this->byMap[$map] ?? []);
    }

    /** Whether there is such a pixel, or colour: see placements(). */
    public function has(string $map, string $part): bool
    {
        $isOfAll = preg_match('#^\d#', $part) !== 1;
        $one = $isOfAll ? '1'.($part === '' ? '' : "/{$part}") : $part;

        return $this->placements($map, $one) !== [];
    }

    /** A part of it in words: "Pond wall, pixel 12 red". */
    public function said(string $map, string $part): string
    {
        $name = $this->maps[$map]->name ?? $map;
        $what = preg_match('#^\d#', $part) === 1 ? 'pixel '.str_replace('/', ' ', $part) : "all {$part}";

        return $part === '' ? "{$name}, all colours" : "{$name}, {$what}";
    }

    /** @param string $part '' for where it is */
    public function saidOfDot(string $map, string $part): string
    {
        return 'the dot on '.($this->maps[$map]->name ?? $map).($part === '' ? '' : ", {$part}");
    }

    /**
     * Where the colours of pixels lie.
     *
     * @param string $part "12/red" for one, "12" for all of a pixel, "red" for that of all, "" for all
     *
     * @return list<Placement>
     */
    public function placements(string $map, string $part): array
    {
        $of = $this->maps[$map] ?? null;
        if ($of === null || preg_match('#^(?:(\d{1,5})(?:/([a-z-]+))?|([a-z-]+))?$#D', $part, $found) !== 1) {
            return [];
        }
        $pixel = (int) ($found[1] ?? 0);
        $colour = ($found[2] ?? '') !== '' ? $found[2] : $found[3] ?? '';
        if (($found[1] ?? '') !== '' && ($pixel < 1 || $pixel > $of->wiring->count)) {
            return [];
        }
        $placements = [];
        foreach ($pixel > 0 ? [$pixel] : range(1, $of->wiring->count) as $number) {
            array_push($placements, ...$this->ofPixel($of, $number, $colour));
        }

        return $placements;
    }

    /** @return list<Placement> */
    private function ofPixel(PixelMap $map, int $pixel, string $colour): array
    {
        $placements = [];
        foreach ($map->wiring->slots($pixel - 1) as $k => $slot) {
            if ($colour !== '' && $map->order->parameters()[$k]->key !== $colour) {
                continue;
            }
            $run = $this->byMap[$map->id][intdiv($slot, Frame::SLOTS)] ?? null;
            $placed = $run?->at($slot % Frame::SLOTS + 1);
            if ($run !== null && $placed !== null) {
                $placements[] = new Placement($run->fixture(), $placed);
            }
        }

        return $placements;
    }
}
