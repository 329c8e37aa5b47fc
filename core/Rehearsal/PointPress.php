<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\PointNames;

/** Somebody presses a point: {"press": "route:doors"}. */
final readonly class PointPress implements Move
{
    public function __construct(private ?Reference $reference)
    {
    }

    public static function field(): string
    {
        return 'press';
    }

    public static function read(Fields $fields, Stage $stage): self
    {
        $reference = Reference::parse($fields->matching('press', Reference::PATTERN, Reference::RULE));
        if ($reference !== null && ! PointNames::isThere($stage->show, $reference)) {
            $fields->fault('press', "there is no point \"{$reference->text()}\"", Reference::RULE);
        }

        return new self($reference);
    }

    public function play(Stage $stage, int $now): array
    {
        return $this->reference === null ? [] : $stage->junction->press(
            $this->reference,
            new Act('rehearsal', 'The rehearsal'),
            $now,
        )[1];
    }
}
