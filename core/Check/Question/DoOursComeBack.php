<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;

/** Whether the port hears what this machine sends itself: a loop, or a network that mirrors. */
final readonly class DoOursComeBack implements Question
{
    private const LATELY_NANOS = 10_000_000_000;

    public function ask(Scene $scene): array
    {
        $activity = $scene->seen->activity;
        if ($activity->ownAt === null || $scene->now - $activity->ownAt > self::LATELY_NANOS) {
            return [];
        }

        return [Finding::wrong(
            'Do our own packets come back?',
            "Yes: this port hears what we send ourselves, {$activity->own} packets so far.",
            'Give what is sent another universe number or address than what is received, or listen only to the other end\'s address.',
            filter_var($scene->other, \FILTER_VALIDATE_IP) === false
                ? null
                : ['label' => "Listen only to {$scene->other}", 'changes' => ['allow' => [$scene->other]]],
        )];
    }
}
