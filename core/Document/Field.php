<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

use NimbleJunction\Core\Point\Reference;

/**
 * One field of a part of the show document, said once: its reader with its errors,
 * its JSON Schema and what a form shows of it follow from this.
 */
final readonly class Field
{
    /**
     * @param string $type whole, number, numbers, text, word, flag, port, universe, point, parts (objects with a kind of their own)
     * @param mixed $default what it is where it is left out; null for nothing
     * @param list<string> $words of a word
     * @param string $of what the parts of a list are, by the name of their kinds
     */
    private function __construct(
        public string $name,
        public string $type,
        public string $label,
        public mixed $default,
        public bool $isNeeded,
        public float $low = 0.0,
        public float $high = 0.0,
        public array $words = [],
        public string $of = '',
    ) {
    }

    public static function whole(string $name, string $label, int $low, int $high, ?int $default = null, bool $isNeeded = true): self
    {
        return new self($name, 'whole', $label, $default, $isNeeded && $default === null, $low, $high);
    }

    public static function number(string $name, string $label, float $low, float $high, ?float $default = null, bool $isNeeded = true): self
    {
        return new self($name, 'number', $label, $default, $isNeeded && $default === null, $low, $high);
    }

    /** @param list<float> $default as many numbers as are needed */
    public static function numbers(string $name, string $label, float $low, float $high, array $default): self
    {
        return new self($name, 'numbers', $label, $default, false, $low, $high);
    }

    public static function text(string $name, string $label, ?string $default = null): self
    {
        return new self($name, 'text', $label, $default, $default === null, 1, 1000);
    }

    /** @param list<string> $words */
    public static function word(string $name, string $label, array $words, ?string $default = null): self
    {
        return new self($name, 'word', $label, $default, $default === null, words: $words);
    }

    /** A number, a text, or true and false. */
    public static function value(string $name, string $label, bool $isNeeded = true): self
    {
        return new self($name, 'value', $label, null, $isNeeded);
    }

    /** Any number of numbers. */
    public static function list(string $name, string $label): self
    {
        return new self($name, 'list', $label, null, true, -1e9, 1e9);
    }

    public static function flag(string $name, string $label, bool $default): self
    {
        return new self($name, 'flag', $label, $default, false);
    }

    public static function port(string $name = 'port', string $label = 'Port'): self
    {
        return new self($name, 'port', $label, null, true);
    }

    public static function universe(string $name = 'universe', string $label = 'Universe'): self
    {
        return new self($name, 'universe', $label, null, true);
    }

    public static function point(string $name = 'point', string $label = 'Point'): self
    {
        return new self($name, 'point', $label, null, true);
    }

    /** @param string $of the name of their kinds */
    public static function parts(string $name, string $label, string $of): self
    {
        return new self($name, 'parts', $label, [], false, of: $of);
    }

    /** One object with a kind of its own. @param string $of the name of its kinds */
    public static function part(string $name, string $label, string $of): self
    {
        return new self($name, 'part', $label, null, true, of: $of);
    }

    /** The value in a document, or the default; what is wrong is noted as a fault. */
    public function read(Fields $fields, Kinds $kinds): mixed
    {
        if (! $this->isNeeded && ! $fields->has($this->name)) {
            return $this->default;
        }

        return match ($this->type) {
            'whole' => $fields->whole($this->name, (int) $this->low, (int) $this->high),
            'number' => $this->readNumber($fields),
            'numbers' => $this->readNumbers($fields),
            'text' => $fields->string($this->name, (int) $this->high),
            'value' => $fields->value($this->name),
            'list' => $this->readList($fields),
            'word' => $fields->word($this->name, $this->words),
            'flag' => $fields->flag($this->name, false),
            'port', 'universe' => $fields->id($this->name),
            'point' => Reference::parse($fields->matching($this->name, Reference::PATTERN, Reference::RULE)),
            'parts' => $kinds->readList($fields, $this->name, $this->of),
            default => $kinds->readOne($fields, $this->name, $this->of),
        };
    }

    /** @return array<string, mixed> of JSON Schema */
    public function schema(): array
    {
        $is = match ($this->type) {
            'whole' => ['type' => 'integer', 'minimum' => (int) $this->low, 'maximum' => (int) $this->high],
            'number' => ['type' => 'number', 'minimum' => $this->low, 'maximum' => $this->high],
            'numbers' => ['type' => 'array', 'minItems' => \count((array) $this->default), 'maxItems' => \count((array) $this->default), 'items' => ['type' => 'number', 'minimum' => $this->low, 'maximum' => $this->high]],
            'text' => ['type' => 'string', 'minLength' => 1, 'maxLength' => (int) $this->high],
            'value' => ['type' => ['number', 'string', 'boolean']],
            'list' => ['type' => 'array', 'maxItems' => Kinds::MOST, 'items' => ['type' => 'number']],
            'word' => ['enum' => $this->words],
            'flag' => ['type' => 'boolean'],
            'port', 'universe' => ['$ref' => '#/$defs/id'],
            'point' => ['$ref' => '#/$defs/point'],
            'parts' => ['type' => 'array', 'maxItems' => Kinds::MOST, 'items' => ['$ref' => "#/\$defs/{$this->of}"]],
            default => ['$ref' => "#/\$defs/{$this->of}"],
        };

        return $this->default === null || isset($is['$ref']) ? $is : [...$is, 'default' => $this->default];
    }

    /** @return array<string, mixed> what a form needs */
    public function described(): array
    {
        return [
            'name' => $this->name,
            'type' => $this->type,
            'label' => $this->label,
            'default' => $this->default,
            'isNeeded' => $this->isNeeded,
            'low' => $this->low,
            'high' => $this->high,
            'words' => $this->words,
            'of' => $this->of,
        ];
    }

    private function readNumber(Fields $fields): float
    {
        if (! $fields->has($this->name)) {
            $fields->fault($this->name, 'it is missing', "Use a number from {$this->low} to {$this->high}.");
        }

        return $fields->within($this->name, $this->low, $this->high, 0.0);
    }

    /** @return list<float> */
    private function readList(Fields $fields): array
    {
        if (! $fields->has($this->name)) {
            $fields->fault($this->name, 'it is missing', 'Use a list of numbers.');
        }

        return $fields->numbers($this->name, Kinds::MOST, $this->low, $this->high);
    }

    /** @return list<float> */
    private function readNumbers(Fields $fields): array
    {
        $count = \count((array) $this->default);
        $numbers = $fields->numbers($this->name, $count, $this->low, $this->high);
        if (\count($numbers) !== $count) {
            $fields->fault($this->name, \count($numbers).' numbers are there', "Give {$count} numbers.");

            return \is_array($this->default) ? array_values(array_filter($this->default, is_float(...))) : [];
        }

        return $numbers;
    }
}
