<?php

declare(strict_types=1);

namespace App\Shows;

/** What is to be stored was begun before somebody else's edit of the same part: nothing has changed. */
final class OlderForm extends \RuntimeException
{
    /**
     * @param list<array{field: string, was: string, is: string}> $differences what the other edit has changed, of the first part
     * @param list<Conflict> $conflicts a part each
     */
    public function __construct(string $message, public readonly array $differences = [], public readonly array $conflicts = [])
    {
        parent::__construct($message);
    }

    /** @param non-empty-list<Conflict> $conflicts */
    public static function of(array $conflicts): self
    {
        $first = $conflicts[0];
        $words = implode(' ', array_map(static fn(Conflict $one): string => $one->words(), \array_slice($conflicts, 0, 3)));
        $wayOut = $first->isGone()
            ? 'Undo brings it back.'
            : 'Save again to put yours in its place, or close the form and look at theirs.';

        return new self("{$words} Nothing was stored. {$wayOut}", $first->differences(), $conflicts);
    }
}
