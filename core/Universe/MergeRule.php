<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** How sources of equal priority share a universe. The value is the word in the show document. */
enum MergeRule: string
{
    /** Highest takes precedence: each slot shows the highest level that any source sends. */
    case Htp = 'htp';

    /** Latest takes precedence: each slot shows the source that last changed it. */
    case Ltp = 'ltp';

    public function merger(): Merger
    {
        return match ($this) {
            self::Htp => new HtpMerger(),
            self::Ltp => new LtpMerger(),
        };
    }
}
