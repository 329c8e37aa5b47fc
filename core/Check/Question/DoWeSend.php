<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Signal\Protocol;

final readonly class DoWeSend implements Question
{
    private const WORDS = 'Do we send?';

    public function ask(Scene $scene): array
    {
        $port = $scene->port;
        $send = $port->send;
        if ($send === null || ! $port->sends()) {
            return [];
        }
        $other = $scene->other;
        if (
            $other !== ''
            && $port->link->kind === LinkKind::Udp
            && $send->group(1) === null
            && ! $send->repliesToo()
            && ! \in_array($other, $send->to, true)
        ) {
            return [Finding::wrong(
                'Do we send to it?',
                'We send to '.implode(', ', $send->to).", not to {$other}.",
                'Send to it as well.',
                ['label' => "Send to {$other} too", 'changes' => ['send/to' => [...$send->to, $other]]],
            )];
        }
        if ($scene->seen->deaf !== []) {
            return [Finding::wrong(
                'Does it listen?',
                "Nothing listens at {$scene->seen->deaf[0]}: the machine there says so. We send, and it does not hear.",
                'Start the program there, and check its receive port: it must be our send port.',
            )];
        }
        $activity = $scene->seen->activity;
        if ($activity->sentAt === null) {
            return [Finding::open(
                self::WORDS,
                'Nothing has been sent yet: no level and no message was there to send.',
                'Move a fader, or hold a slot by hand.',
            )];
        }
        $rate = 'Yes: '.round($activity->rate($scene->now, false), 1).' packets a second.';
        if ($port->link->kind !== LinkKind::Udp) {
            return [Finding::right(self::WORDS, $rate)];
        }
        $end = $port->protocol === Protocol::Osc ? '.' : ', and its universe the one named below.';
        $words = "{$rate} If the other end hears nothing, its receive port must be {$send->port}{$end}";

        return [$scene->carriesLevels() && ! $send->fullRate && $port->protocol !== Protocol::DmxLine
            ? Finding::right(
                self::WORDS,
                $words,
                'What does not change is repeated now and then only. If its light drops out meanwhile, repeat it at the full rate.',
                ['label' => 'Repeat at the full rate', 'changes' => ['send/fullRate' => true]],
            )
            : Finding::right(self::WORDS, $words)];
    }
}
