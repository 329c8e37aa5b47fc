<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** What happens to a universe's levels on the way out: curves, inversion and limits of single slots, then slots that change places. */
final class Shaping
{
    private static string $everyByte = '';

    /** @var array<int, ShapeEntry> by slot */
    private array $shapes = [];

    /** @var array<int, string> 256 bytes each, by the place in the list of shapes */
    private array $tables = [];

    private string $given = '';
    private string $made = '';

    /**
     * @param list<ShapeEntry> $entries later ones lie above earlier ones
     * @param list<array{first: int, with: int, count: int}> $swaps from slot 1
     */
    public function __construct(private readonly array $entries, private readonly array $swaps)
    {
        foreach ($entries as $place => $shape) {
            $this->tables[$place] = self::table($shape);
            for ($slot = $shape->first - 1; $slot < $shape->last; ++$slot) {
                $this->shapes[$slot] = $shape;
            }
        }
    }

    /** @param string $levels 512 bytes */
    public function apply(string $levels): string
    {
        if ($levels === $this->given) {
            return $this->made;
        }
        $made = $levels;
        foreach ($this->entries as $place => $shape) {
            $length = $shape->last - $shape->first + 1;
            $run = strtr(substr($levels, $shape->first - 1, $length), self::everyByte(), $this->tables[$place]);
            $made = substr_replace($made, $run, $shape->first - 1, $length);
        }
        $this->given = $levels;

        return $this->made = $this->exchange($made);
    }

    /** @param string $bytes 512 bytes, one a slot: only their places change */
    public function exchange(string $bytes): string
    {
        foreach ($this->swaps as $swap) {
            $one = substr($bytes, $swap['first'] - 1, $swap['count']);
            $other = substr($bytes, $swap['with'] - 1, $swap['count']);
            $bytes = substr_replace(substr_replace($bytes, $other, $swap['first'] - 1, $swap['count']), $one, $swap['with'] - 1, $swap['count']);
        }

        return $bytes;
    }

    /**
     * The slot whose level comes out here: itself, or the one it changes places with.
     *
     * @param int $slot 0 to 511
     */
    public function cameFrom(int $slot): int
    {
        foreach (array_reverse($this->swaps) as $swap) {
            $first = $swap['first'] - 1;
            $with = $swap['with'] - 1;
            if ($slot >= $first && $slot < $first + $swap['count']) {
                $slot += $with - $first;
            } elseif ($slot >= $with && $slot < $with + $swap['count']) {
                $slot += $first - $with;
            }
        }

        return $slot;
    }

    /**
     * What happens to a slot, in words; '' for nothing.
     *
     * @param int $slot 0 to 511
     */
    public function explain(int $slot, int $level): string
    {
        $from = $this->cameFrom($slot);
        $shape = $this->shapes[$from] ?? null;
        $words = $from === $slot ? [] : ['it changes places with slot '.($from + 1)];
        if ($shape !== null) {
            $out = \ord(self::table($shape)[$level]);
            $what = array_filter([
                $shape->curve === Curve::Linear ? '' : "{$shape->curve->value} curve",
                $shape->inverted ? 'inverted' : '',
                $shape->low > 0 || $shape->high < 255 ? "kept from {$shape->low} to {$shape->high}" : '',
            ]);
            $words[] = implode(', ', $what)." ({$level} becomes {$out})";
        }

        return $words === [] ? '' : ' On the way out: '.implode('; ', $words).'.';
    }

    /** @return string the level that each of 256 levels becomes */
    private static function table(ShapeEntry $shape): string
    {
        $table = '';
        for ($level = 0; $level < 256; ++$level) {
            $made = $shape->curve->apply($level / 255);
            $made = (int) round(255 * ($shape->inverted ? 1 - $made : $made));
            $table .= \chr(max($shape->low, min($shape->high, $made)));
        }

        return $table;
    }

    private static function everyByte(): string
    {
        return self::$everyByte === '' ? self::$everyByte = implode('', array_map(\chr(...), range(0, 255))) : self::$everyByte;
    }
}
