<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;
use NimbleJunction\Core\Plan\AllowList;

final readonly class MayItSpeak implements Question
{
    public function ask(Scene $scene): array
    {
        $allow = $scene->port->allow;
        if (! $scene->port->receives() || $scene->other === '' || (new AllowList($allow))->lets($scene->other)) {
            return [];
        }

        return [Finding::wrong(
            'May it speak to us?',
            "{$scene->other} is not among the senders that this port listens to: ".implode(', ', $allow).'.',
            'Let it in.',
            ['label' => "Let {$scene->other} in", 'changes' => ['allow' => [...$allow, $scene->other]]],
        )];
    }
}
