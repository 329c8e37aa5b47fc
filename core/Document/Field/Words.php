<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** Any of several words, each once: days of the week. */
final class Words extends Field
{
    /**
     * @param list<string> $words
     * @param array<string, string> $titles what a form calls them, by word
     */
    public function __construct(string $name, string $label, private readonly array $words, private readonly array $titles)
    {
        parent::__construct($name, $label, [], false);
    }

    public function type(): string
    {
        return 'words';
    }

    protected function cell(): Cell
    {
        return Cell::Series;
    }

    /** @return list<string> in the order in which they are named here */
    protected function value(Fields $fields, Reading $reading): array
    {
        $said = $fields->phrases($this->name, \count($this->words), 60);
        $unknown = array_diff($said, $this->words);
        if ($unknown !== []) {
            $fields->fault($this->name, '"'.reset($unknown).'" is none of them', 'Use '.implode(', ', $this->words).'.');
        }

        return array_values(array_intersect($this->words, $said));
    }

    protected function shape(): array
    {
        return ['type' => 'array', 'maxItems' => \count($this->words), 'items' => ['enum' => $this->words]];
    }

    protected function details(): array
    {
        return ['words' => $this->words, 'titles' => (object) $this->titles];
    }
}
