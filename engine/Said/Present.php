<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Who else is here. */
final readonly class Present extends Message
{
    /** @param list<Person> $people */
    public function __construct(
        #[ListOf(Person::class)]
        public array $people,
    ) {
    }

    public static function type(): string
    {
        return 'present';
    }
}
