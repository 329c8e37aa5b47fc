<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/** How sources of equal priority share a universe. The value is the word in the show document. */
enum MergeRule: string
{
    /** Highest takes precedence: each slot shows the highest level that any source sends. */
    case Htp = 'htp';

    /** Latest takes precedence: each slot shows the source that last changed it. */
    case Ltp = 'ltp';

    /** Slot by slot: latest for those that are named, highest for the rest. */
    case Slot = 'slot';

    /** The sources of one port, and no others. */
    case Chosen = 'chosen';

    public function spelled(): string
    {
        return match ($this) {
            self::Htp => 'HTP',
            self::Ltp => 'LTP',
            self::Slot => 'HTP and LTP slot by slot',
            self::Chosen => 'one chosen port',
        };
    }
}
