<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Line;
use NimbleJunction\Core\Timeline\Moment;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Timeline\Track;
use NimbleJunction\Core\Timeline\TrackKind;

/** A level over time. */
final readonly class LevelTrack implements TrackKind
{
    public const MOST = 20_000;

    public Line $line;

    /**
     * @param Reference|null $point that it moves; null for nothing yet
     * @param list<Knot> $knots
     */
    public function __construct(public ?Reference $point = null, public array $knots = [])
    {
        $this->line = new Line($knots);
    }

    public static function kind(): string
    {
        return 'levels';
    }

    public static function label(): string
    {
        return 'Level';
    }

    public static function fields(): array
    {
        return [
            Field::pointOrNone('point', 'It moves'),
            Field::objects('knots', 'Points of its line', Knot::class, self::MOST),
        ];
    }

    public function ending(Moment $moment): ?Moment
    {
        return null;
    }

    public function ends(): float
    {
        $knots = $this->line->knots;

        return $knots === [] ? 0.0 : $knots[\count($knots) - 1]->at;
    }

    public function moments(): array
    {
        return [];
    }

    /** The owner of what it gives: it waits for nothing. */
    public function routes(Timeline $timeline, Track $track): array
    {
        $id = $timeline->routeId($track);

        return $this->point === null
            ? []
            : [$id => new Route($id, "{$timeline->name}, {$track->name}", true, [], [], [], [new SetAction($this->point)])];
    }
}
