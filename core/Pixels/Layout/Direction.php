<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels\Layout;

/** Whether the line runs along rows or along columns. */
enum Direction: string
{
    case Rows = 'rows';
    case Columns = 'columns';

    public const TITLES = ['rows' => 'Along the rows', 'columns' => 'Along the columns'];
}
