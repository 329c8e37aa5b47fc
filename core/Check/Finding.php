<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

/** One answer of a check, with what a person can do about it. */
final readonly class Finding
{
    public const RIGHT = 'right';
    public const WRONG = 'wrong';

    /** Nothing can be said yet, or it need not be wrong. */
    public const OPEN = 'open';

    /**
     * @param string $question what was looked at
     * @param string $words what was found
     * @param string $remedy what a person can do; '' for nothing
     * @param array{label: string, changes: array<string, mixed>}|null $fix a button, and what it changes in the port: a value by its path ("receive/address")
     */
    public function __construct(
        public string $state,
        public string $question,
        public string $words,
        public string $remedy = '',
        public ?array $fix = null,
    ) {
    }

    /** @param array{label: string, changes: array<string, mixed>}|null $fix */
    public static function right(string $question, string $words, string $remedy = '', ?array $fix = null): self
    {
        return new self(self::RIGHT, $question, $words, $remedy, $fix);
    }

    /** @param array{label: string, changes: array<string, mixed>}|null $fix */
    public static function wrong(string $question, string $words, string $remedy = '', ?array $fix = null): self
    {
        return new self(self::WRONG, $question, $words, $remedy, $fix);
    }

    /** @param array{label: string, changes: array<string, mixed>}|null $fix */
    public static function open(string $question, string $words, string $remedy, ?array $fix = null): self
    {
        return new self(self::OPEN, $question, $words, $remedy, $fix);
    }
}
