<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Address;
use NimbleJunction\Core\Document\Part;

/** What comes from this address has a priority of its own. */
final readonly class SenderPriority implements Part
{
    public function __construct(public string $from, public int $priority)
    {
    }

    public static function label(): string
    {
        return 'Sender priority';
    }

    public static function fields(): array
    {
        return [
            new Address('from', 'Sender'),
            Field::whole('priority', 'Priority', 0, 200),
        ];
    }
}
