<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** A part whose fields have to fit each other. */
interface Checked
{
    /** @param Fields $fields as they were read: what does not fit is noted there */
    public function check(Fields $fields): void;
}
