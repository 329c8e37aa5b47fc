<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** What becomes of a universe when its last source is gone. The value is the word in the show document. */
enum LossRule: string
{
    /** The last levels stay, and are still sent. */
    case Hold = 'hold';

    /** The levels go to zero over a time, and are still sent. */
    case Fade = 'fade';

    /** Nothing is sent any more; sACN receivers are told so. */
    case Stop = 'stop';
}
