<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk\Grammar;

/** One of some words; its first letters are enough, where no other one begins with them. */
final readonly class ChoiceSlot implements Piece
{
    /** @param list<string> $words */
    public function __construct(private string $name, private array $words)
    {
    }

    public function read(Typed $typed): ?string
    {
        $said = mb_strtolower($typed->text);
        $found = array_values(array_filter(
            $this->words,
            static fn(string $word): bool => $said !== '' && str_starts_with(mb_strtolower($word), $said),
        ));
        $exact = array_values(array_filter($found, static fn(string $word): bool => mb_strtolower($word) === $said));

        return $exact[0] ?? (\count($found) === 1 ? $found[0] : null);
    }

    public function name(): string
    {
        return $this->name;
    }

    public function allowed(): string
    {
        return "{$this->name}: ".implode(', ', $this->words);
    }

    public function words(): array
    {
        return $this->words;
    }
}
