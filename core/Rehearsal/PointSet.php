<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\PointNames;

/** Somebody sets a point: {"point": "value:house-open", "value": 1}. */
final readonly class PointSet implements Move
{
    public function __construct(private ?Reference $reference, private int|float|string $value)
    {
    }

    public static function field(): string
    {
        return 'point';
    }

    public static function read(Fields $fields, Stage $stage): self
    {
        $reference = Reference::parse($fields->matching('point', Reference::PATTERN, Reference::RULE));
        $value = $fields->value('value');
        if ($reference !== null && ! PointNames::isThere($stage->show, $reference)) {
            $fields->fault('point', "there is no point \"{$reference->text()}\"", Reference::RULE);
        }

        return new self($reference, $value);
    }

    public function play(Stage $stage, int $now): array
    {
        return $this->reference === null ? [] : $stage->junction->set(
            $this->reference,
            $this->value,
            new Act('rehearsal', 'The rehearsal'),
            $now,
        )[1];
    }
}
