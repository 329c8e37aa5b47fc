<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk\Grammar;

/** A number of a range. */
final readonly class NumberSlot implements Piece
{
    /** @param int $digits behind the point */
    public function __construct(private string $name, private float $low, private float $high, private int $digits)
    {
    }

    public function read(Typed $typed): ?string
    {
        if (
            preg_match('#^-?\d{1,9}(?:\.(\d{1,6}))?$#D', $typed->text, $found) !== 1
            || \strlen(rtrim($found[1] ?? '', '0')) > $this->digits
        ) {
            return null;
        }
        $number = (float) $typed->text;

        return $number >= $this->low && $number <= $this->high ? self::spelled($number) : null;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function allowed(): string
    {
        $what = $this->digits === 0 ? 'a whole number' : 'a number';

        return "{$this->name}: {$what} from ".self::spelled($this->low).' to '.self::spelled($this->high);
    }

    public function words(): array
    {
        return [];
    }

    private static function spelled(float $number): string
    {
        $text = number_format($number, 6, '.', '');

        return rtrim(rtrim($text, '0'), '.');
    }
}
