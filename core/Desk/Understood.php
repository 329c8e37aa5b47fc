<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk;

/** A typed line that a desk takes. */
final readonly class Understood
{
    /**
     * @param string $line all words in full
     * @param array<string, string> $values by name; those that were left out are not there
     */
    public function __construct(public DeskForm $form, public string $line, public array $values)
    {
    }
}
