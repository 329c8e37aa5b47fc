<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** A word that the code has an enum for. */
final class Choice extends Field
{
    /** @var array<string, string> */
    private array $titles = [];

    /** @param class-string<\BackedEnum> $enum of strings */
    public function __construct(
        string $name,
        string $label,
        private readonly string $enum,
        ?\BackedEnum $default,
        bool $mayBeNone = false,
    ) {
        parent::__construct($name, $label, $default, $default === null && ! $mayBeNone);
    }

    /** @param array<string, string> $titles what a form calls them, by word */
    public function called(array $titles): self
    {
        $this->titles = $titles;

        return $this;
    }

    public function type(): string
    {
        return 'word';
    }

    protected function value(Fields $fields, Reading $reading): \BackedEnum
    {
        return $this->enum::from($fields->word($this->name, $this->words()));
    }

    protected function shape(): array
    {
        return ['enum' => $this->words()];
    }

    protected function details(): array
    {
        return ['words' => $this->words(), 'titles' => (object) $this->titles];
    }

    /** @return list<string> */
    private function words(): array
    {
        return array_map(static fn(\BackedEnum $case): string => (string) $case->value, $this->enum::cases());
    }
}
