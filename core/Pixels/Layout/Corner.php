<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels\Layout;

/** Where the line begins, as seen from the front. */
enum Corner: string
{
    case TopLeft = 'top-left';
    case TopRight = 'top-right';
    case BottomLeft = 'bottom-left';
    case BottomRight = 'bottom-right';

    public const TITLES = [
        'top-left' => 'Top left',
        'top-right' => 'Top right',
        'bottom-left' => 'Bottom left',
        'bottom-right' => 'Bottom right',
    ];

    public function isRight(): bool
    {
        return $this === self::TopRight || $this === self::BottomRight;
    }

    public function isBottom(): bool
    {
        return $this === self::BottomLeft || $this === self::BottomRight;
    }
}
