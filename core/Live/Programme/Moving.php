<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\WideParameters;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\Lane;
use NimbleJunction\Core\Programme\Wave\Wave;
use NimbleJunction\Core\Universe\Modifier;

/** Brings what waves do to universes, masters, looks and other waves. */
final class Moving
{
    private const PERCENT = 100.0;

    /** @var array<string, true> universes that waves do something to */
    private array $modified = [];

    /** @var array<string, array<string, true>> universes that each wave gives levels, by owner */
    private array $given = [];

    /** @var array<string, true> owners that begin to give: they count as the last change */
    private array $beginning = [];

    /** @var array<string, float> what is added to other points, in per cent, by reference */
    private array $added = [];

    /** @param \Closure(): Changes $changes */
    public function __construct(
        private readonly Universes $universes,
        private readonly \Closure $changes,
        private readonly Masters $masters,
        private readonly Looks $looks,
    ) {
    }

    public function begins(LiveWave $live): void
    {
        $this->beginning["wave {$live->wave->id}"] = true;
    }

    /** @return array<string, array<string, true>> universes that each wave gives levels, by owner */
    public function given(): array
    {
        return $this->given;
    }

    /** @param array<string, LiveWave> $waves by id, all of them */
    public function move(array $waves, int $now): void
    {
        $modifiers = $given = $added = [];
        foreach ($waves as $live) {
            if (! $live->isOn) {
                continue;
            }
            $isGiving = $live->wave->mode === Wave::REPLACE;
            foreach ($live->lanes as $i => $lane) {
                $value = $live->value($live->places[$i]);
                if ($isGiving) {
                    $given["wave {$live->wave->id}"][$lane->universeId][] = [$lane, $value];
                } else {
                    $modifiers[$lane->universeId][] = self::modifier($live, $lane, $value);
                }
            }
            foreach ($live->points as $point => $place) {
                $base = $this->base($point, $waves);
                $added[$point] = self::moved($live, $base + ($added[$point] ?? 0.0), $live->value($place)) - $base;
            }
        }
        $this->modify($modifiers);
        $this->give($given, $waves);
        $this->add($added, $waves, $now);
    }

    private static function modifier(LiveWave $live, Lane $lane, float $value): Modifier
    {
        $isFactor = $live->wave->mode === Wave::MULTIPLY;

        return new Modifier(
            $lane->slots,
            $lane->zero,
            $lane->highest,
            $isFactor ? max(0.0, $value / self::PERCENT) : 1.0,
            $isFactor ? 0.0 : $value / self::PERCENT * $lane->highest,
            "wave \"{$live->wave->name}\"",
        );
    }

    /**
     * What a point is without waves, in per cent: a rate is 100 of itself.
     *
     * @param array<string, LiveWave> $waves by id
     */
    private function base(string $point, array $waves): float
    {
        $reference = Reference::parse($point);

        return match ($reference?->kind) {
            'master' => $this->masters->live()[$reference->id]->level ?? 0.0,
            'look' => $this->looks->live()[$reference->id]->level ?? 0.0,
            'wave' => $reference->part === 'rate'
                ? self::PERCENT
                : ($waves[$reference->id] ?? null)?->base($reference->part) ?? 0.0,
            default => 0.0,
        };
    }

    /** @return float per cent: what becomes of a value by one wave */
    private static function moved(LiveWave $live, float $value, float $wave): float
    {
        return match ($live->wave->mode) {
            Wave::MULTIPLY => $value * max(0.0, $wave / self::PERCENT),
            Wave::REPLACE => $wave,
            default => $value + $wave,
        };
    }

    /** @param array<string, list<Modifier>> $modifiers by universe */
    private function modify(array $modifiers): void
    {
        foreach (array_keys($this->modified + $modifiers) as $id) {
            $universe = $this->universes->find((string) $id);
            if ($universe === null) {
                continue;
            }
            $universe->wayOut()->modifiers->use($modifiers[$id] ?? []);
            $universe->wayOutMoved();
            ($this->changes)()->touch($universe);
        }
        $this->modified = array_map(static fn(): bool => true, $modifiers);
    }

    /**
     * @param array<string, array<string, list<array{Lane, float}>>> $given lanes with their values in per cent, by owner and universe
     * @param array<string, LiveWave> $waves by id
     */
    private function give(array $given, array $waves): void
    {
        foreach ($this->given as $owner => $universes) {
            foreach (array_keys(array_diff_key($universes, $given[$owner] ?? [])) as $id) {
                $universe = $this->universes->find((string) $id);
                $universe?->layers()->end($owner);
                if ($universe !== null) {
                    ($this->changes)()->touch($universe);
                }
            }
        }
        $scale = $given === [] ? 1.0 : $this->masters->before()->overWaves();
        foreach ($given as $owner => $universes) {
            $wave = $waves[substr($owner, \strlen('wave '))]->wave;
            foreach ($universes as $id => $lanes) {
                $universe = $this->universes->find((string) $id);
                if ($universe === null) {
                    continue;
                }
                $levels = $mask = Bytes::$none;
                foreach ($lanes as [$lane, $value]) {
                    $share = max(0.0, min(1.0, $value / self::PERCENT)) * ($lane->isIntensity() ? $scale : 1.0);
                    $levels = WideParameters::lay(
                        $levels,
                        $lane->slots,
                        (int) round($lane->zero + $share * (($lane->zero === 0 ? $lane->highest : 0) - $lane->zero)),
                    );
                    foreach ($lane->slots as $slot) {
                        $mask[$slot] = "\xFF";
                    }
                }
                $universe->layers()->give($owner, "Wave \"{$wave->name}\"", $levels, $mask, $wave->priority, false, false);
                if (isset($this->beginning[$owner])) {
                    $universe->layers()->claim($owner, $mask);
                }
                ($this->changes)()->touch($universe);
            }
        }
        $this->beginning = [];
        $this->given = array_map(static fn(array $universes): array => array_map(static fn(): bool => true, $universes), $given);
    }

    /**
     * @param array<string, float> $added in per cent, by point
     * @param array<string, LiveWave> $waves by id
     */
    private function add(array $added, array $waves, int $now): void
    {
        $masters = $looks = [];
        foreach ($waves as $live) {
            $live->modulation = [];
        }
        foreach ($added as $point => $value) {
            $reference = Reference::parse($point);
            match ($reference?->kind) {
                'master' => $masters[$reference->id] = $value,
                'look' => $looks[$reference->id] = $value,
                'wave' => isset($waves[$reference->id]) ? $waves[$reference->id]->modulation[$reference->part] = $value : null,
                default => null,
            };
        }
        if ($added !== [] || $this->added !== []) {
            $this->masters->modulate($masters, $now);
            $this->looks->modulate($looks, $now);
        }
        $this->added = $added;
    }
}
