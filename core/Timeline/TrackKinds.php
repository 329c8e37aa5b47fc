<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Timeline\Kind\ClipTrack;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Kind\NoteTrack;
use NimbleJunction\Core\Timeline\Kind\SoundTrack;
use NimbleJunction\Core\Timeline\Kind\TriggerTrack;

/** All kinds of tracks: a new one is named here. */
final class TrackKinds
{
    /** @var list<class-string<TrackKind>> */
    public const ALL = [TriggerTrack::class, LevelTrack::class, NoteTrack::class, ClipTrack::class, SoundTrack::class];
}
