<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;

final readonly class IsItOpen implements Question
{
    private const WORDS = 'Is the port open?';

    public function ask(Scene $scene): array
    {
        $fault = $scene->seen->activity->fault;

        return [$fault === '' ? Finding::right(self::WORDS, 'It is open.') : Finding::wrong(self::WORDS, $fault)];
    }
}
