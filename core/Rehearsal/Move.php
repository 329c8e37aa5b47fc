<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Port\OutgoingPacket;

/** One thing that a script has happen. Each kind is a class, known by the field that only it has. */
interface Move
{
    /** The field of a line that says that it is of this kind. */
    public static function field(): string;

    /** Reads the fields of a line; what is wrong is noted there. */
    public static function read(Fields $fields, Stage $stage): self;

    /** @return list<OutgoingPacket> what leaves because of it */
    public function play(Stage $stage, int $now): array;
}
