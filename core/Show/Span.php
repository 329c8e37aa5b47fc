<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** A run of slots with one number that is meant for each of them: a level or a priority. */
final readonly class Span
{
    /**
     * @param int $first 1 to 512
     * @param int $last $first to 512
     */
    public function __construct(public int $first, public int $last, public int $value = 0)
    {
    }

    /**
     * @param list<self> $spans later ones lie above earlier ones
     *
     * @return string 512 bytes, $fill where no span lies
     */
    public static function paint(array $spans, string $fill = "\0"): string
    {
        $bytes = str_repeat($fill, 512);
        foreach ($spans as $span) {
            $bytes = substr_replace($bytes, str_repeat(\chr($span->value), $span->last - $span->first + 1), $span->first - 1, $span->last - $span->first + 1);
        }

        return $bytes;
    }
}
