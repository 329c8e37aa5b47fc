<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline\Kind;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Programme\WhenTrigger;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Timeline\Moment;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Timeline\Track;
use NimbleJunction\Core\Timeline\TrackKind;

/** What happens at moments: looks that are recalled, messages that are sent, whatever a route can do. */
final readonly class TriggerTrack implements TrackKind, Checked
{
    private const MOST = 10_000;

    /** @param list<Moment> $triggers */
    public function __construct(public array $triggers = [])
    {
    }

    public static function kind(): string
    {
        return 'triggers';
    }

    public static function label(): string
    {
        return 'Triggers';
    }

    public static function fields(): array
    {
        return [Field::objects('triggers', 'Triggers', Moment::class, self::MOST)];
    }

    public function check(Fields $fields): void
    {
        $known = [];
        foreach ($this->triggers as $i => $trigger) {
            if (isset($known[$trigger->id])) {
                $fields->fault(
                    "triggers/{$i}/id",
                    "\"{$trigger->id}\" is used twice",
                    'Every trigger of a track has an id of its own.',
                );
            }
            $known[$trigger->id] = true;
        }
    }

    public function ending(Moment $moment): ?Moment
    {
        return null;
    }

    public function ends(): float
    {
        return max([0.0, ...array_map(static fn(Moment $one): float => $one->at, $this->triggers)]);
    }

    public function moments(): array
    {
        return $this->triggers;
    }

    public function routes(Timeline $timeline, Track $track): array
    {
        $owner = $timeline->routeId($track);
        $title = "{$timeline->name}, {$track->name}";
        $routes = [$owner => new Route($owner, $title, true, [], [], [], [])];
        foreach ($this->triggers as $one) {
            $id = $timeline->routeId($track, $one->id);
            $name = $one->name === '' ? $title : "{$timeline->name}, {$one->name}";
            // What moments of a track give has one owner: of two the later one has it, and nothing is left lying below.
            $routes[$id] = new Route(
                $id,
                $name,
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
}
