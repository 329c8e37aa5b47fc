<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk\Grammar;

/** A typed line is held against one form: what fits, in every way in which it does; and how far it came where nothing fits. */
final class Matching
{
    /** More ways than this nobody means. */
    private const MOST = 50;

    /** @var list<array{string, array<string, string>}> whole lines, and values by name */
    public array $ways = [];

    /** The typed word at which no way goes on, counted; its number where more is needed. */
    public int $farthest = 0;

    /** @var list<Piece> what could have stood there */
    public array $expected = [];

    /** @param list<Typed> $typed */
    public function __construct(FormPattern $pattern, private readonly array $typed)
    {
        $this->go($pattern->pieces, 0, '', []);
    }

    /**
     * @param list<Piece|list<Piece>> $pieces those that are left
     * @param int $place of the next typed word
     * @param array<string, string> $values
     */
    private function go(array $pieces, int $place, string $line, array $values): void
    {
        if (\count($this->ways) >= self::MOST) {
            return;
        }
        if ($pieces === []) {
            if ($place === \count($this->typed)) {
                $this->ways[] = [trim($line), $values];
            } else {
                $this->expect($place, null);
            }

            return;
        }
        $piece = array_shift($pieces);
        if (\is_array($piece)) {
            // With it, and without.
            $this->go([...$piece, ...$pieces], $place, $line, $values);
            $this->go($pieces, $place, $line, $values);

            return;
        }
        $typed = $this->typed[$place] ?? null;
        $read = $typed === null ? null : $piece->read($typed);
        if ($read === null) {
            $this->expect($place, $piece);

            return;
        }
        $name = $piece->name();
        $this->go($pieces, $place + 1, "{$line} {$read}", $name === '' ? $values : [...$values, $name => trim($read, '"')]);
    }

    private function expect(int $place, ?Piece $piece): void
    {
        if ($place > $this->farthest) {
            $this->farthest = $place;
            $this->expected = [];
        }
        if ($place === $this->farthest && $piece !== null) {
            $this->expected[] = $piece;
        }
    }
}
