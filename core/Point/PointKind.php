<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Point;

/** What sort of value a point has. The value goes to the page. */
enum PointKind: string
{
    case Level = 'level';
    case Number = 'number';
    case Switch = 'switch';
    case Choice = 'choice';
    case Text = 'text';
    case State = 'state';
    case Press = 'press';
}
