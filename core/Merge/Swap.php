<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** Two runs of slots that change places as they come in. */
final readonly class Swap implements Part, Checked
{
    /**
     * @param int $first slot that one begins with, 1 to 512
     * @param int $with slot that the other begins with, 1 to 512
     * @param int $count slots of each; they do not overlap
     */
    public function __construct(public int $first, public int $with, public int $count)
    {
    }

    public static function label(): string
    {
        return 'Swap';
    }

    public static function fields(): array
    {
        return [
            Field::whole('first', 'Slot', 1, Frame::SLOTS),
            Field::whole('with', 'With slot', 1, Frame::SLOTS),
            Field::whole('count', 'Number of slots', 1, Frame::SLOTS, 1),
        ];
    }

    public function check(Fields $fields): void
    {
        $room = min(abs($this->with - $this->first), Frame::SLOTS + 1 - max($this->first, $this->with));
        $fields->whole('count', 1, max(1, $room), 1);
        if ($this->first === $this->with) {
            $fields->fault('with', 'a slot cannot change places with itself', 'Give another slot.');
        }
    }
}
