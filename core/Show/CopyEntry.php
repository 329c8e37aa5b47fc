<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** Part of a universe that is carried to another place, there or in another universe. */
final readonly class CopyEntry implements Part
{
    /** Ids of universes. */
    public string $from;
    public string $to;

    /** Slot that it begins with, 1 to 512. */
    public int $first;

    /** Slots that it has. */
    public int $count;

    /** Slot that its first one goes to, 1 to 512. */
    public int $at;

    /**
     * @param int $repeat how often it is laid down, end to end
     * @param int $limit last slot that it may reach, 1 to 512
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $enabled,
        ?CopySource $from,
        ?CopyTarget $to,
        public int $repeat,
        public int $limit,
    ) {
        $this->from = $from->universe ?? '';
        $this->first = $from->first ?? 1;
        $this->count = $from->count ?? 1;
        $this->to = $to->universe ?? '';
        $this->at = $to->first ?? 1;
    }

    public static function label(): string
    {
        return 'Copy';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::object('from', 'From', CopySource::class),
            Field::object('to', 'To', CopyTarget::class),
            Field::whole('repeat', 'Repeat (times)', 1, Frame::SLOTS, 1)->meaning('How often it is laid down, end to end.'),
            Field::whole(
                'limit',
                'Last slot; empty for 512',
                1,
                Frame::SLOTS,
                Frame::SLOTS,
            )->atLeast('to/first')->meaning('Last slot that it may reach.'),
            Field::flag('enabled', 'Copy on', true),
        ];
    }
}
