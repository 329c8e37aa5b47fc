<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

/** One thing that a check looks at. */
interface Question
{
    /** @return list<Finding> none where it does not arise */
    public function ask(Scene $scene): array;
}
