<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Discovery\Neighbour;
use NimbleJunction\Core\Junction;
use NimbleJunction\Engine\Net\Transports;

/** How the ports are, and what is out there, as plain arrays for the live link. */
final readonly class PortReport
{
    private const LATELY_NANOS = 10_000_000_000;

    public function __construct(private Junction $junction, private Transports $transports)
    {
    }

    /** @return array<string, array<string, mixed>> by port */
    public function all(int $now): array
    {
        $plan = $this->junction->plan();
        $rhythms = $this->rhythms($now);
        $ports = [];
        foreach ($plan->ports as $id => $port) {
            $activity = $this->junction->activity((string) $id);
            $rhythm = $port['protocol']->carriesLevels() || $activity->heardAt === null ? null : $activity->rhythm;
            $ports[$id] = [
                'state' => $activity->state($port['protocol'], $port['receives'], $port['sends'], $now)->value,
                'fault' => $activity->fault,
                'in' => round($activity->rate($now, true), 1),
                'out' => round($activity->rate($now, false), 1),
                'received' => $activity->received,
                'sent' => $activity->sent,
                'lost' => $activity->lost + $this->transports->lost($port['via']),
                'gap' => $rhythms[$id]['gap'] ?? ($rhythm === null ? null : round($rhythm->longestGapMillis($now), 1)),
                'jitter' => $rhythms[$id]['jitter'] ?? ($rhythm === null ? null : round($rhythm->jitterMillis(), 1)),
                'refused' => $activity->refused,
                'refusals' => (object) $activity->refusals,
                'senders' => (object) $activity->senders,
                'connected' => $this->transports->connected($port['via']),
                'heard' => $activity->lastWords($this->junction->plan()->middleC),
                'from' => $activity->heardFrom,
                'firstAgo' => Report::ago($activity->firstHeardAt, $now),
                'heardAgo' => Report::ago($activity->heardAt, $now),
                'sentAgo' => Report::ago($activity->sentAt, $now),
            ];
        }

        return $ports;
    }

    /** @return array<string, mixed> devices that say that they are there, devices that pages lend, universes that nobody asks for */
    public function finds(int $now): array
    {
        return [
            'type' => 'finds',
            'neighbours' => array_map(static fn(Neighbour $one): array => [
                'key' => bin2hex($one->key),
                'protocol' => $one->protocol->value,
                'name' => $one->name,
                'address' => $one->address,
                'details' => $one->details,
                'gives' => $one->gives($now),
                'takes' => $one->takes($now),
                'lost' => $one->isLost($now),
                'heardAgo' => Report::ago($one->heardAt, $now),
            ], $this->junction->neighbours()->all($now)),
            'lent' => array_map(static fn(string $key, array $who): array => ['kind' => strstr($key, ' ', true), 'name' => explode(' ', $key, 3)[2], 'who' => implode(', ', $who)], array_keys($this->transports->lent->connected()), $this->transports->lent->connected()),
            'unclaimed' => $this->unclaimed($now),
        ];
    }

    /** @return list<array{ports: list<string>, protocol: string, number: int, name: string, from: string, count: int}> frames that no port asks for, heard lately */
    public function unclaimed(int $now): array
    {
        $list = [];
        foreach ($this->junction->unclaimed() as $key => $unclaimed) {
            $ports = $this->junction->plan()->endpoints[$key]->portIds ?? [];
            foreach ($unclaimed->heard as $one) {
                if ($now - $one['at'] < self::LATELY_NANOS) {
                    $list[] = ['ports' => $ports, 'protocol' => (string) strstr($key, ' ', true), 'number' => $one['number'], 'name' => $one['name'], 'from' => $one['from'], 'count' => $one['count']];
                }
            }
        }

        return $list;
    }

    /** @return array<string, array{gap: float, jitter: float}> the worst of each port's sources, in milliseconds */
    private function rhythms(int $now): array
    {
        $worst = [];
        foreach ($this->junction->universes() as $universe) {
            foreach ($universe->sources() as $source) {
                if ($source->protocol !== null) {
                    $before = $worst[$source->portId] ?? ['gap' => 0.0, 'jitter' => 0.0];
                    $worst[$source->portId] = ['gap' => max($before['gap'], round($source->rhythm->longestGapMillis($now), 1)), 'jitter' => max($before['jitter'], round($source->rhythm->jitterMillis(), 1))];
                }
            }
        }

        return $worst;
    }
}
