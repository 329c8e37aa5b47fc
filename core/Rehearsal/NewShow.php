<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** The show is edited: {"adopt": {…}}, a whole show document. */
final readonly class NewShow implements Move
{
    public function __construct(private ?Show $show)
    {
    }

    public static function field(): string
    {
        return 'adopt';
    }

    public static function read(Fields $fields, Stage $stage): self
    {
        try {
            $show = ShowReader::fromArray($fields->raw('adopt'));
            // What comes after it in the script is about this show.
            $stage->show = $show;

            return new self($show);
        } catch (ShowRefused $refused) {
            foreach ($refused->faults as $fault) {
                $fields->fault('adopt'.$fault->path, $fault->problem, $fault->allowed);
            }

            return new self(null);
        }
    }

    public function play(Stage $stage, int $now): array
    {
        return $this->show === null ? [] : $stage->adopt($this->show, $now);
    }
}
