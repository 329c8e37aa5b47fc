<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/**
 * Masters over what leaves: they scale the intensities of a universe, and nothing else, after merging and before curves.
 * Blackout is share 0 of all of them.
 */
final class Mastering
{
    /** @var list<Lights> by the masters that are over them */
    private readonly array $groups;

    /** @var array<string, float> what each master leaves of a light, 0 to 1, by id */
    private array $shares = [];

    private bool $isDark = false;

    /** @var list<string> ids of those that are alone: what none of them is over is dark */
    private array $alone = [];

    /**
     * @param list<Light> $lights
     * @param array<string, string> $names of masters, by id
     */
    public function __construct(array $lights, private readonly array $names)
    {
        $byMasters = [];
        foreach ($lights as $light) {
            $byMasters[implode(' ', $light->masters)][] = $light;
        }
        $this->groups = array_map(
            static fn(array $ones): Lights => new Lights($ones[0]->masters, $ones),
            array_values($byMasters),
        );
    }

    /**
     * @param array<string, float> $shares what each master leaves of a light, 0 to 1, by id
     * @param list<string> $alone ids of masters: what none of them is over is dark; none for no such thing
     *
     * @return bool whether a light is scaled otherwise than before
     */
    public function use(array $shares, bool $isDark, array $alone): bool
    {
        $hasMoved = false;
        $this->shares = $shares;
        $this->isDark = $isDark;
        $this->alone = $alone;
        foreach ($this->groups as $group) {
            $share = $this->isShut($group) ? 0.0 : 1.0;
            foreach ($group->masters as $id) {
                $share *= $shares[$id] ?? 1.0;
            }
            $hasMoved = $group->use($share) || $hasMoved;
        }

        return $hasMoved;
    }

    /** Whether it takes nothing away. */
    public function isFull(): bool
    {
        foreach ($this->groups as $group) {
            if ($group->share() < 1.0) {
                return false;
            }
        }

        return true;
    }

    /** @param string $levels 512 bytes */
    public function apply(string $levels): string
    {
        foreach ($this->groups as $group) {
            $levels = $group->apply($levels);
        }

        return $levels;
    }

    /** What they take away from a slot, 0 to 511, in words; '' for nothing. */
    public function explain(int $slot): string
    {
        foreach ($this->groups as $group) {
            if ($group->share() >= 1.0 || ! $group->has($slot)) {
                continue;
            }
            if ($this->isDark) {
                return 'Blackout: all light is at 0.';
            }
            if ($this->isShut($group)) {
                return 'Dark, because '.implode(' and ', array_map($this->name(...), $this->alone)).' is alone.';
            }
            $taking = array_filter($group->masters, fn(string $id): bool => ($this->shares[$id] ?? 1.0) < 1.0);
            $said = array_map(
                fn(string $id): string => $this->name($id).' '.self::percent($this->shares[$id] ?? 1.0),
                array_values($taking),
            );

            return 'Scaled to '.self::percent($group->share()).' by '.implode(' and ', $said).'.';
        }

        return '';
    }

    private function isShut(Lights $group): bool
    {
        return $this->isDark || ($this->alone !== [] && array_intersect($this->alone, $group->masters) === []);
    }

    private function name(string $id): string
    {
        return $this->names[$id] ?? $id;
    }

    private static function percent(float $share): string
    {
        return round(100 * $share, 1).' %';
    }
}
