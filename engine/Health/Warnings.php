<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Health;

/** What a person should know of the engine itself: it stands on every page for as long as it is so. */
final class Warnings
{
    /** @var array<string, array{words: string, at: int}> by what it is about; at is seconds since 1970 */
    private array $warnings = [];

    /** @param \Closure(string, string): void $say one line for whoever started the engine, and what it is about */
    public function __construct(private readonly \Closure $say)
    {
    }

    /**
     * @param string $key what it is about: a later warning with the same key takes the place of the one before
     * @param string $words what is wrong, and the way out
     */
    public function raise(string $key, string $words): void
    {
        if (($this->warnings[$key]['words'] ?? '') === $words) {
            return;
        }
        $this->warnings[$key] = ['words' => $words, 'at' => $this->warnings[$key]['at'] ?? time()];
        ($this->say)($words, $key);
    }

    public function clear(string $key): void
    {
        unset($this->warnings[$key]);
    }

    /** @return list<array{key: string, words: string, at: int}> oldest first */
    public function all(): array
    {
        $list = [];
        foreach ($this->warnings as $key => $warning) {
            $list[] = ['key' => $key, ...$warning];
        }

        return $list;
    }
}
