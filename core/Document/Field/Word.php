<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** One of several words; which of them may depend on another field. */
final class Word extends Field
{
    private string $by = '';

    /** @var array<string, non-empty-list<string>> */
    private array $wordsBy = [];

    /** @var array<string, string> */
    private array $titles = [];

    /** @param list<string> $words */
    public function __construct(string $name, string $label, private readonly array $words, ?string $default)
    {
        parent::__construct($name, $label, $default, $default === null);
    }

    /**
     * @param string $at the field that decides
     * @param array<string, non-empty-list<string>> $words what it may be, by what that field says; the first is the usual one
     */
    public static function decidedBy(string $name, string $label, string $at, array $words): self
    {
        $field = new self($name, $label, array_values(array_unique(array_merge(...array_values($words)))), '');
        $field->by = $at;
        $field->wordsBy = $words;

        return $field;
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

    public function usual(Reading $reading): mixed
    {
        return $this->by === '' ? $this->default : $this->wordsNow($reading)[0] ?? '';
    }

    protected function value(Fields $fields, Reading $reading): string
    {
        return $fields->word($this->name, $this->wordsNow($reading));
    }

    protected function shape(): array
    {
        return ['enum' => $this->words];
    }

    protected function details(): array
    {
        return [
            'words' => $this->words,
            'titles' => (object) $this->titles,
            'by' => $this->by,
            'wordsBy' => (object) $this->wordsBy,
        ];
    }

    /** @return list<string> */
    private function wordsNow(Reading $reading): array
    {
        if ($this->by === '') {
            return $this->words;
        }

        return $this->wordsBy[$reading->word($this->by)] ?? $this->words;
    }
}
