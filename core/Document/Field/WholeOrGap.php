<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;

/** A whole number, or a gap for one of what arrived, like {note}. */
final class WholeOrGap extends Field
{
    private const GAP = '^\\{[a-z0-9-]{1,64}\\}$';

    public function __construct(
        string $name,
        string $label,
        private readonly int $low,
        private readonly int $high,
        bool $isNeeded,
    ) {
        parent::__construct($name, $label, null, $isNeeded);
    }

    public function type(): string
    {
        return 'value';
    }

    protected function cell(): Cell
    {
        return Cell::Anything;
    }

    protected function value(Fields $fields, Reading $reading): int|string|null
    {
        if (! $this->isNeeded && ! $fields->has($this->name)) {
            return null;
        }
        $isTruth = $fields->isTruth($this->name);
        $value = $fields->value($this->name);
        $isGap = \is_string($value) && preg_match('#'.self::GAP.'#D', $value) === 1;
        if ($isGap || (! $isTruth && \is_int($value) && $value >= $this->low && $value <= $this->high)) {
            return $value;
        }
        $fields->fault(
            $this->name,
            "it is {$value}",
            "Use a whole number from {$this->low} to {$this->high}, or a gap like {{$this->name}}.",
        );

        return $this->low;
    }

    protected function shape(): array
    {
        return ['oneOf' => [
            ['type' => 'integer', 'minimum' => $this->low, 'maximum' => $this->high],
            ['type' => 'string', 'pattern' => self::GAP],
        ]];
    }
}
