<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;

final readonly class AreAnyRefused implements Question
{
    public function ask(Scene $scene): array
    {
        $activity = $scene->seen->activity;
        if (! $scene->port->receives() || $activity->refused === 0) {
            return [];
        }
        $refusals = $activity->refusals;
        arsort($refusals);
        $reason = (string) array_key_first($refusals);

        return [Finding::open(
            'Are packets refused?',
            ($activity->refused === 1 ? '1 was' : "{$activity->refused} were")." refused, most of all: {$reason}.",
            'Does the other end speak the same protocol?',
        )];
    }
}
