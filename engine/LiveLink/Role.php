<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

/** What a person may do. */
enum Role: string
{
    /** Builds and changes the show. */
    case Builder = 'builder';

    /** Runs the show: holds, releases, plays; changes nothing that is stored. */
    case Operator = 'operator';

    /** Sees everything, changes nothing. */
    case Viewer = 'viewer';

    /** Uses one surface, and reaches nothing else. */
    case Guest = 'guest';

    public function mayBuild(): bool
    {
        return $this === self::Builder;
    }

    public function mayOperate(): bool
    {
        return $this === self::Builder || $this === self::Operator;
    }
}
