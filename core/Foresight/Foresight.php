<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Foresight;

use NimbleJunction\Core\Live\Programme\LiveLook;
use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Programme\CueList;
use NimbleJunction\Core\Programme\Lane;
use NimbleJunction\Core\Programme\Look;
use NimbleJunction\Core\Programme\Playback;
use NimbleJunction\Core\Programme\PointValue;
use NimbleJunction\Core\Programme\Strip;
use NimbleJunction\Core\Programme\Target;
use NimbleJunction\Core\Programme\Times;
use NimbleJunction\Core\Universe\AsIf;
use NimbleJunction\Core\Universe\Universe;

/**
 * What would leave if a look were recalled, or a cue went, with its fades over, and nothing else changed: it is seen, and not
 * sent.
 */
final readonly class Foresight
{
    /** @param array<string, Universe> $universes by id */
    public function __construct(
        private Plan $plan,
        private array $universes,
        private LiveProgramme $programme,
        private Points $points,
    ) {
    }

    /** @return list<Foreseen> */
    public function look(Look $look): array
    {
        $others = $look->set === '' ? [] : array_filter(
            $this->programme->looks->live(),
            static fn(LiveLook $one): bool => $one->look->set === $look->set && $one->look->id !== $look->id,
        );
        $ending = array_map(static fn(LiveLook $one): Playback => $one->playback, array_values($others));

        return $this->of(
            new Playback("look {$look->id}", "Look \"{$look->name}\"", $look->priority),
            $look->values,
            $look->values,
            $this->programme->masters->before()->overLook($look->id),
            $ending,
        );
    }

    /**
     * @param int $place of the cue in its list
     *
     * @return list<Foreseen>
     */
    public function cue(CueList $list, int $place): array
    {
        $looks = $this->plan->programme->looks;

        return $this->of(
            new Playback("list {$list->id}", "List \"{$list->name}\", cue {$list->cues[$place]->number}", $list->priority),
            $list->valuesAt($place, $looks),
            $list->ownValues($list->cues[$place], $looks),
            $this->programme->masters->before()->overList($list->id),
        );
    }

    /**
     * What is not kept yet, as a look would give it.
     *
     * @param list<PointValue> $values
     *
     * @return list<Foreseen>
     */
    public function values(array $values): array
    {
        return $this->of(new Playback('look ', 'These values', null), $values, $values, 1.0);
    }

    /**
     * @param list<PointValue> $given
     * @param list<PointValue> $set of these, what is no level of a fixture is set at once
     * @param float $scale what masters leave of its intensities, 0 to 1
     * @param list<Playback> $ending those that it takes the place of
     *
     * @return list<Foreseen>
     */
    private function of(Playback $playback, array $given, array $set, float $scale, array $ending = []): array
    {
        $targets = $this->plan->lanes->targets($given);
        $playback->scale($scale, 1.0);
        $playback->go($targets, new Times(), static fn(): string => Bytes::$none, 0);
        $owners = [$playback->owner, ...array_map(static fn(Playback $one): string => $one->owner, $ending)];
        $lanes = array_map(static fn(Target $target): Lane => $target->lane, $targets) + $this->leaving($owners);
        $byUniverse = [];
        foreach ($lanes as $key => $lane) {
            $byUniverse[$lane->universeId][$key] = $lane;
        }
        $seen = [];
        foreach (array_intersect_key($byUniverse, $this->universes) as $id => $ones) {
            $universe = $this->universes[$id];
            $asIf = self::asIf($universe, $playback, $playback->strips()[$id] ?? null, $ending);
            [$now, $then] = [$universe->wayOut()->heldIn($universe->merged()), $universe->wayOut()->heldIn($asIf->merged)];
            foreach ($ones as $key => $lane) {
                $seen[] = new Foreseen(
                    (string) $key,
                    $lane->valueIn($now),
                    $lane->valueIn($then),
                    ($targets[$key] ?? null)?->value,
                    $lane,
                    $asIf,
                );
            }
        }

        return [...$seen, ...$this->others($set)];
    }

    /**
     * What those give now, and would let go.
     *
     * @param list<string> $owners
     *
     * @return array<string, Lane> by key
     */
    private function leaving(array $owners): array
    {
        $keys = [];
        foreach ([...array_values($this->programme->looks->live()), ...array_values($this->programme->lists->live())] as $live) {
            if (\in_array($live->playback->owner, $owners, true)) {
                array_push($keys, ...$live->playback->keys(true));
            }
        }
        $lanes = [];
        foreach ($keys as $key) {
            $lane = $this->plan->lanes->lane($key);
            if ($lane !== null) {
                $lanes[$key] = $lane;
            }
        }

        return $lanes;
    }

    /** @param list<Playback> $ending */
    private static function asIf(Universe $universe, Playback $playback, ?Strip $strip, array $ending): AsIf
    {
        return new AsIf(
            $universe,
            $playback->owner,
            $playback->name(),
            $strip?->levels(0) ?? Bytes::$none,
            $strip->mask ?? Bytes::$none,
            $playback->priority(),
            array_map(static fn(Playback $one): string => $one->owner, $ending),
        );
    }

    /**
     * @param list<PointValue> $values
     *
     * @return list<Foreseen>
     */
    private function others(array $values): array
    {
        $others = array_filter($values, static fn(PointValue $one): bool => ! $one->isGiven());

        return array_values(array_map(
            fn(PointValue $one): Foreseen => new Foreseen(
                $one->point->text(),
                $this->points->read($one->point),
                $one->value,
                $one->value,
            ),
            $others,
        ));
    }

}
