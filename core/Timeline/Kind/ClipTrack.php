<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline\Kind;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\WhenTrigger;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Timeline\Clip;
use NimbleJunction\Core\Timeline\Moment;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Timeline\Track;
use NimbleJunction\Core\Timeline\TrackKind;

/** Looks, waves and other timelines, each for a while. */
final readonly class ClipTrack implements TrackKind, Checked
{
    private const MOST = 2000;

    /** What each is when it is there. */
    private const ON = ['look' => 100, 'wave' => 1];

    /** No clip has such an id: ids have no dots. */
    private const ENDS = '.off';

    /** @param list<Clip> $clips */
    public function __construct(public array $clips = [])
    {
    }

    public static function kind(): string
    {
        return 'clips';
    }

    public static function label(): string
    {
        return 'Clips';
    }

    public static function fields(): array
    {
        return [Field::objects('clips', 'Clips', Clip::class, self::MOST)];
    }

    public function check(Fields $fields): void
    {
        $known = [];
        foreach ($this->clips as $i => $clip) {
            if (isset($known[$clip->id])) {
                $fields->fault("clips/{$i}/id", "\"{$clip->id}\" is used twice", 'Every clip of a track has an id of its own.');
            }
            $known[$clip->id] = true;
        }
    }

    public function ends(): float
    {
        return max([0.0, ...array_map(static fn(Clip $one): float => $one->ends(), $this->clips)]);
    }

    /** What fades out is over where the clip is; ends come first, so that one of the same look may follow at once. */
    public function moments(): array
    {
        $ends = $begins = [];
        foreach ($this->clips as $clip) {
            $point = $clip->plays;
            $on = self::ON[$point->kind ?? ''] ?? null;
            if ($point !== null && $on !== null) {
                $ends[] = new Moment($clip->id.self::ENDS, $clip->ends(), do: [self::set($point, 0, $clip->fadeOut)]);
                $begins[] = new Moment($clip->id, $clip->at, do: [self::set($point, $on, $clip->fadeIn)]);
            }
        }

        return [...$ends, ...$begins];
    }

    /** @return list<Clip> those that are timelines */
    public function timelines(): array
    {
        return array_values(array_filter($this->clips, static fn(Clip $one): bool => $one->plays?->kind === 'timeline'));
    }

    public function ending(Moment $moment): ?Moment
    {
        return null;
    }

    public function routes(Timeline $timeline, Track $track): array
    {
        $owner = $timeline->routeId($track);
        $title = "{$timeline->name}, {$track->name}";
        $routes = [$owner => new Route($owner, $title, true, [], [], [], [])];
        foreach ($this->moments() as $one) {
            $id = $timeline->routeId($track, $one->id);
            $routes[$id] = new Route(
                $id,
                $title,
                true,
                [new WhenTrigger($timeline->reached($track, $one))],
                [],
                [],
                $one->do,
                ownedBy: $owner,
            );
        }

        return $routes;
    }

    private static function set(Reference $point, int $value, float $fade): SetAction
    {
        return new SetAction($point, $value, fade: $fade > 0.0 ? $fade : null);
    }
}
