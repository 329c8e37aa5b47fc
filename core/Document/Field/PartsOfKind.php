<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document\Field;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Document\Kinds;
use NimbleJunction\Core\Document\Reading;

/** A list of parts that each say of what kind they are. */
final class PartsOfKind extends Field
{
    private bool $mayBeOne = false;

    public function __construct(string $name, string $label, private readonly string $of)
    {
        parent::__construct($name, $label, [], false);
    }

    /** One alone may stand there without a list around it. */
    public function orOne(): self
    {
        $this->mayBeOne = true;

        return $this;
    }

    public function type(): string
    {
        return 'parts';
    }

    protected function cell(): Cell
    {
        return Cell::Structure;
    }

    /** @return list<Kind> */
    protected function value(Fields $fields, Reading $reading): array
    {
        if ($this->mayBeOne && ! $fields->isList($this->name)) {
            return array_values(array_filter([$reading->kinds->readOne($fields, $this->name, $this->of, $reading)]));
        }

        return $reading->kinds->readList($fields, $this->name, $this->of, $reading);
    }

    protected function shape(): array
    {
        $one = ['$ref' => "#/\$defs/{$this->of}"];
        $list = ['type' => 'array', 'maxItems' => Kinds::MOST, 'items' => $one];

        return $this->mayBeOne ? ['anyOf' => [$one, ['minItems' => 1] + $list]] : $list;
    }

    protected function details(): array
    {
        return ['of' => $this->of];
    }
}
