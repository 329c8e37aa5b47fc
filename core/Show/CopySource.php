<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** The slots that are copied. */
final readonly class CopySource implements Part, Checked
{
    public function __construct(public string $universe, public int $first, public int $count)
    {
    }

    public static function label(): string
    {
        return 'Copy source';
    }

    public static function fields(): array
    {
        return [
            Field::universe('universe', 'From universe'),
            Field::whole('first', 'From slot', 1, Frame::SLOTS),
            Field::whole('count', 'Number of slots', 1, Frame::SLOTS, 1),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->first + $this->count > Frame::SLOTS + 1) {
            $fields->whole('count', 1, Frame::SLOTS + 1 - $this->first, 1);
        }
    }
}
