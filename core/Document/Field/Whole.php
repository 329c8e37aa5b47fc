<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** A whole number. */
final class Whole extends Field
{
    private string $least = '';
    private ?int $suggested = null;
    private string $by = '';

    /** @var array<string, array{int, int}> */
    private array $ranges = [];

    public function __construct(
        string $name,
        string $label,
        private readonly int $low,
        private readonly int $high,
        ?int $default,
        bool $isNeeded,
    ) {
        parent::__construct($name, $label, $default, $isNeeded && $default === null);
    }

    /** It is not below another field of its part, and the same as that where it is left out. */
    public function atLeast(string $field): self
    {
        $this->least = $field;

        return $this;
    }

    /**
     * Its range depends on what another field says.
     *
     * @param array<string, array{int, int}> $ranges lowest and highest, by the other field's word
     */
    public function rangedBy(string $at, array $ranges): self
    {
        $this->by = $at;
        $this->ranges = $ranges;

        return $this;
    }

    /** What a form offers for a new part, where leaving it out is not allowed. */
    public function offering(int $suggested): self
    {
        $this->suggested = $suggested;

        return $this;
    }

    public function type(): string
    {
        return 'whole';
    }

    protected function cell(): Cell
    {
        return Cell::Number;
    }

    public function usual(Reading $reading): mixed
    {
        return $this->least === '' || $this->default !== null ? $this->default : $this->lowest($reading);
    }

    protected function value(Fields $fields, Reading $reading): int
    {
        [$low, $high] = $this->ranges[$this->by === '' ? '' : $reading->word($this->by)]
            ?? [$this->lowest($reading), $this->high];

        return $fields->whole($this->name, $low, $high, \is_int($this->default) ? $this->default : null);
    }

    protected function shape(): array
    {
        return ['type' => 'integer', 'minimum' => $this->low, 'maximum' => $this->high];
    }

    protected function details(): array
    {
        return ['low' => $this->low, 'high' => $this->high, 'suggested' => $this->suggested];
    }

    private function lowest(Reading $reading): int
    {
        $other = $this->least === '' ? null : $reading->find($this->least);

        return \is_int($other) ? max($this->low, $other) : $this->low;
    }
}
