<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** A run of slots with one number that is meant for each of them. */
abstract readonly class Span implements Part
{
    /**
     * @param int $first 1 to 512
     * @param int $last $first to 512
     */
    public function __construct(public int $first, public int $last)
    {
    }

    /** 0 to 255 */
    abstract public function number(): int;

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::whole('first', 'Slot', 1, Frame::SLOTS),
            Field::whole('last', 'to slot', 1, Frame::SLOTS, null, false)->atLeast('first'),
        ];
    }

    /**
     * @param list<self> $spans later ones lie above earlier ones
     *
     * @return string 512 bytes, $fill where no span lies
     */
    public static function paint(array $spans, string $fill = "\0"): string
    {
        $bytes = str_repeat($fill, Frame::SLOTS);
        foreach ($spans as $span) {
            $length = $span->last - $span->first + 1;
            $bytes = substr_replace($bytes, str_repeat(\chr($span->number()), $length), $span->first - 1, $length);
        }

        return $bytes;
    }
}
