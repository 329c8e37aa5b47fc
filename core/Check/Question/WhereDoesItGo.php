<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Scene;
use NimbleJunction\Core\Show\WireUniverse;

/**
 * Where the packets of a silent other end go instead: to another universe,
 * another port number, another port of ours, a packet filter; or nowhere, as
 * its machine is not there. The first that there is evidence for.
 */
final readonly class WhereDoesItGo
{
    public function found(Scene $scene): ?Finding
    {
        return $this->onAnotherUniverse($scene)
            ?? $this->atAnotherNumber($scene)
            ?? $this->atAnotherPort($scene)
            ?? $this->bySaying($scene)
            ?? $this->thrownAway($scene)
            ?? $this->machine($scene);
    }

    /** What came to another number after the port had heard something last: it goes there now. */
    public function since(Scene $scene, int $heardAt): ?Finding
    {
        return $this->atAnotherNumber($scene, $heardAt);
    }

    private function onAnotherUniverse(Scene $scene): ?Finding
    {
        foreach ($scene->seen->unclaimed as $stray) {
            if ($scene->isAbout($stray['from'])) {
                return $this->universe(
                    $scene,
                    "Heard on {$scene->spell($stray['number'])} from {$stray['from']}",
                    $stray['number'],
                );
            }
        }

        return null;
    }

    /** What it says of itself: a universe that comes by multicast is not heard at all where nobody asks for it. */
    private function bySaying(Scene $scene): ?Finding
    {
        foreach ($scene->neighbours() as $one) {
            $gives = $one->gives($scene->now);
            if ($gives !== [] && array_intersect($gives, $this->listens($scene)) === []) {
                return $this->universe(
                    $scene,
                    "{$one->name} ({$one->address}) says that it gives {$scene->spellAll($gives)}",
                    $gives[0],
                );
            }
        }

        return null;
    }

    private function universe(Scene $scene, string $words, int $number): Finding
    {
        $feeds = $scene->port->receive->feeds ?? [];

        return Finding::wrong(
            IsAnythingHeard::WORDS,
            "{$words}; this port listens to {$scene->spellAll($this->listens($scene))}.",
            'Change the number here or there.',
            $feeds === [] ? null : [
                'label' => "Listen to {$scene->spell($number)}",
                'changes' => ['receive/feeds' => Scene::moved($feeds, $number)],
            ],
        );
    }

    private function atAnotherNumber(Scene $scene, int $after = 0): ?Finding
    {
        $receive = $scene->port->receive;
        $send = $scene->port->send;
        if ($receive === null) {
            return null;
        }
        foreach ($scene->seen->knocks as $knock) {
            if ($scene->isAbout($knock['from']) && ($knock['at'] ?? 0) >= $after) {
                $crossed = $send !== null && $knock['port'] === $send->port;

                return Finding::wrong(
                    IsAnythingHeard::WORDS,
                    "{$knock['from']} sends to our port {$knock['port']}, and we listen at {$receive->port}."
                        .($crossed ? ' The two ports are swapped: what it sends to is what we send to.' : ''),
                    'The two ports must cross: its send port is our receive port.',
                    [
                        'label' => "Listen at {$knock['port']}",
                        'changes' => ['receive/port' => $knock['port']] + ($crossed ? ['send/port' => $receive->port] : []),
                    ],
                );
            }
        }

        return null;
    }

    private function atAnotherPort(Scene $scene): ?Finding
    {
        foreach ($scene->seen->elsewhere as $portName => $senders) {
            if ($scene->other !== '' && isset($senders[$scene->other])) {
                return Finding::wrong(
                    IsAnythingHeard::WORDS,
                    "Not here, but \"{$portName}\" hears {$scene->other}.",
                    'Is that the port that was meant?',
                );
            }
        }

        return null;
    }

    private function thrownAway(Scene $scene): ?Finding
    {
        $arrivals = $scene->seen->arrivals;
        $port = $scene->port->receive->port ?? 0;
        $isHere = str_starts_with($scene->other, '127.') || str_starts_with($scene->port->receive->address ?? '', '127.');
        if (! $scene->isNetworked() || $isHere) {
            return null;
        }

        return match (true) {
            $arrivals->filtered > 0 => Finding::open(
                IsAnythingHeard::WORDS,
                self::packets($arrivals->filtered).' reached this machine in the last minute and no program could have '
                    .($arrivals->filtered === 1 ? 'it' : 'them')
                    .': a firewall of this machine, or multicast that nobody asked for.',
                "Let port {$port} in, in the settings of the firewall; then move it again, waiting…",
            ),
            $arrivals->wrongWay > 0 => Finding::wrong(
                IsAnythingHeard::WORDS,
                self::packets($arrivals->wrongWay).' of the last minute '.self::was($arrivals->wrongWay).' thrown away by this machine, as the sender\'s address is reached by another adapter, or not at all: wrong subnet, or both adapters in one network.',
                'Give both ends addresses in the same range, with the same netmask.',
            ),
            $arrivals->unheard > 0 => Finding::open(
                IsAnythingHeard::WORDS,
                self::packets($arrivals->unheard).' came to this machine in the last minute at port numbers that nobody listens at.',
                "Is its send port really our receive port, {$port}? Move it now, waiting…",
            ),
            default => null,
        };
    }

    /** A machine that is there and says nothing, or one that is not there. */
    private function machine(Scene $scene): ?Finding
    {
        $isThere = $scene->seen->machines[$scene->other] ?? null;
        $port = $scene->port->receive->port ?? 0;

        return match ($isThere) {
            null => null,
            true => Finding::wrong(
                IsAnythingHeard::WORDS,
                "The machine {$scene->other} is there, and nothing of what it sends comes in at port {$port}.",
                'Is its output switched on, and does it send to one of our addresses? If it does, a firewall there or a switch between stops it.',
            ),
            false => Finding::wrong(
                IsAnythingHeard::WORDS,
                "Nothing answers at {$scene->other} on this network.",
                'Is it switched on, is its cable in, and is that the address that it has?',
            ),
        };
    }

    /** @return list<int> */
    private function listens(Scene $scene): array
    {
        return array_map(static fn(WireUniverse $link): int => $link->number, $scene->port->receive->feeds ?? []);
    }

    private static function packets(int $count): string
    {
        return $count === 1 ? '1 packet' : "{$count} packets";
    }

    private static function was(int $count): string
    {
        return $count === 1 ? 'was' : 'were';
    }
}
