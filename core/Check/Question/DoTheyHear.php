<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;
use NimbleJunction\Core\Discovery\Neighbour;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Signal\Protocol;

/** Whether the other end takes what we send, wherever it can tell: a connection, a session, its answers to polls. */
final readonly class DoTheyHear implements Question
{
    private const WORDS = 'Do they hear us?';

    public function ask(Scene $scene): array
    {
        if (! $scene->port->sends()) {
            return [];
        }
        if ($scene->seen->connected !== null) {
            return [$this->connection($scene, $scene->seen->connected)];
        }
        if ($scene->port->protocol !== Protocol::ArtNet) {
            return [];
        }
        $found = $scene->neighbours();
        $answers = array_map(fn(Neighbour $one): Finding => $this->neighbour($scene, $one), $found);
        $named = array_map(static fn(Neighbour $one): string => $one->address, $found);
        foreach (array_diff($scene->port->send->to ?? [], $named) as $silent) {
            if ($scene->isAbout($silent) && ! str_ends_with($silent, '.255')) {
                $answers[] = Finding::open(
                    self::WORDS,
                    "{$silent} has not answered our polls: it may not hear us, or not answer such questions.",
                    'Does its own page or display say that it receives?',
                );
            }
        }

        return $answers;
    }

    /** @param list<string> $connected */
    private function connection(Scene $scene, array $connected): Finding
    {
        if ($connected !== []) {
            return Finding::right(self::WORDS, 'Connected: '.implode(', ', $connected).'.');
        }

        return Finding::wrong(self::WORDS, 'We send, and nobody hears: nobody is connected.', match ($scene->port->link->kind) {
            LinkKind::Session => 'Invite us there, or name its address here so that we invite it.',
            LinkKind::Browser => 'Open this page on the computer that the device is plugged into, and lend it.',
            default => 'Start the program there, and have it connect to us, or name its address here.',
        });
    }

    private function neighbour(Scene $scene, Neighbour $one): Finding
    {
        $carries = $scene->port->send->carries ?? [];
        $sends = array_map(static fn(WireUniverse $link): int => $link->number, $carries);
        $takes = $one->takes($scene->now);
        $name = "{$one->name} ({$one->address})";
        if ($one->isLost($scene->now)) {
            $seconds = intdiv($scene->now - $one->heardAt, 1_000_000_000);

            return Finding::wrong(
                self::WORDS,
                "We send, and they do not hear: {$name} answered our polls until {$seconds} s ago, and no longer.",
                'Is it switched on, and is its cable in?',
            );
        }
        if ($takes === []) {
            return Finding::open(
                self::WORDS,
                "{$name} answers our polls, and names no universe that it takes.",
                'Are its outputs set up?',
            );
        }
        if (array_intersect($takes, $sends) === []) {
            return Finding::wrong(
                self::WORDS,
                "We send, and they do not hear: {$name} takes {$scene->spellAll($takes)}; this port sends {$scene->spellAll($sends)}.",
                'Change the number here or there.',
                $carries === []
                    ? null
                    : [
                        'label' => "Send {$scene->spell($takes[0])}",
                        'changes' => ['send/carries' => Scene::moved($carries, $takes[0])],
                    ],
            );
        }

        return Finding::right(self::WORDS, "{$name} answers our polls, and takes {$scene->spellAll($takes)}.");
    }
}
