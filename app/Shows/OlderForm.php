<?php

declare(strict_types=1);

namespace App\Shows;

/** What is to be stored was begun before somebody else's edit of the same part: nothing has changed. */
final class OlderForm extends \RuntimeException
{
    /** @param list<array{field: string, was: string, is: string}> $differences what the other edit has changed */
    public function __construct(string $message, public readonly array $differences = [])
    {
        parent::__construct($message);
    }

    /** @param list<array{field: string, was: string, is: string}> $differences */
    public static function of(string $name, string $edit, string $by, array $differences): self
    {
        $words = array_map(static fn(array $one): string => "{$one['field']} was {$one['was']} and is {$one['is']}", $differences);

        return new self(
            "\"{$name}\" has been changed meanwhile, by {$by} ({$edit}): ".implode('; ', $words).'. Nothing was stored. Save again to put yours in its place, or close the form and look at theirs.',
            $differences,
        );
    }

    public static function gone(string $name, string $by): self
    {
        return new self("\"{$name}\" has been deleted meanwhile, by {$by}. Nothing was stored. Undo brings it back.");
    }
}
