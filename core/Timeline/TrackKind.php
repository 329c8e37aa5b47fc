<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Route\Route;

/** What a track is: what stands on it, how far that goes, and what it is when it runs. */
interface TrackKind extends Kind
{
    /** @return float where the last of it ends, in the timeline's unit */
    public function ends(): float;

    /**
     * What happens on it as ordinary routes, with ids that no route of a show can have.
     *
     * @return array<string, Route> by id
     */
    public function routes(Timeline $timeline, Track $track): array;

    /** What ends what began at a moment, wherever the timeline goes before it comes there; null where nothing has to be ended. */
    public function ending(Moment $moment): ?Moment;

    /** @return list<Moment> what happens at moments, in the order in which it is written */
    public function moments(): array;
}
