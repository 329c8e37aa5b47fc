<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Discovery\Neighbour;
use NimbleJunction\Core\Junction;
use NimbleJunction\Engine\Net\Transports;
use NimbleJunction\Engine\Said\Finds;
use NimbleJunction\Engine\Said\LentDevice;
use NimbleJunction\Engine\Said\Neighbour as NeighbourFound;
use NimbleJunction\Engine\Said\PortLife;
use NimbleJunction\Engine\Said\Stray;

/** How the ports are, and what is out there, as pages are told. */
final readonly class PortReport
{
    private const LATELY_NANOS = 10_000_000_000;

    public function __construct(private Junction $junction, private Transports $transports)
    {
    }

    /** @return array<string, PortLife> by port */
    public function lives(int $now): array
    {
        $plan = $this->junction->plan();
        $rhythms = $this->rhythms($now);
        $lives = [];
        foreach ($plan->ports as $id => $port) {
            $activity = $this->junction->activity((string) $id);
            $rhythm = $port['protocol']->carriesLevels() || $activity->heardAt === null ? null : $activity->rhythm;
            $lives[$id] = new PortLife(
                $activity->state($port['protocol'], $port['receives'], $port['sends'], $now)->value,
                $activity->fault,
                round($activity->rate($now, true), 1),
                round($activity->rate($now, false), 1),
                $activity->received,
                $activity->sent,
                $activity->lost + $this->transports->lost($port['via']),
                $rhythms[$id]['gap'] ?? ($rhythm === null ? null : round($rhythm->longestGapMillis($now), 1)),
                $rhythms[$id]['jitter'] ?? ($rhythm === null ? null : round($rhythm->jitterMillis(), 1)),
                $port['protocol']->carriesLevels() && $port['receives'] ? $activity->healthWords($now) : '',
                round(100 * $activity->lossPart($now, true), 1),
                round(100 * $activity->lossPart($now, false), 1),
                $rhythms[$id]['ever'] ?? null,
                $activity->streams->fittingSeconds(),
                $activity->refused,
                $activity->refusals,
                $activity->senders,
                $this->transports->connected($port['via']),
                $activity->lastWords($plan->middleC),
                $activity->heardFrom,
                self::at($activity->firstHeardAt),
                self::at($activity->heardAt),
                self::at($activity->sentAt),
            );
        }

        return $lives;
    }

    public function finds(int $now): Finds
    {
        $lent = $this->transports->lent->connected();
        $neighbours = array_map(static fn(Neighbour $one): NeighbourFound => new NeighbourFound(
            bin2hex($one->key),
            $one->protocol->value,
            $one->name,
            $one->address,
            $one->details,
            $one->gives($now),
            $one->takes($now),
            $one->isLost($now),
            Engine::millis($one->heardAt),
        ), $this->junction->neighbours()->all($now));
        $devices = array_map(static fn(string $key, array $who): LentDevice => new LentDevice(
            (string) strstr($key, ' ', true),
            explode(' ', $key, 3)[2],
            implode(', ', $who),
        ), array_keys($lent), $lent);

        return new Finds(array_values($neighbours), $devices, $this->strays($now));
    }

    /** @return list<Stray> frames that no port asks for, heard lately */
    public function strays(int $now, int $within = self::LATELY_NANOS): array
    {
        $strays = [];
        foreach ($this->junction->unclaimed() as $key => $unclaimed) {
            $ports = $this->junction->plan()->endpoints[$key]->portIds ?? [];
            foreach ($unclaimed->heard as $one) {
                if ($now - $one['at'] < $within) {
                    $strays[] = new Stray(
                        $ports,
                        (string) strstr($key, ' ', true),
                        $one['number'],
                        $one['name'],
                        $one['from'],
                        $one['count'],
                    );
                }
            }
        }

        return $strays;
    }

    private static function at(?int $nanos): ?float
    {
        return $nanos === null ? null : Engine::millis($nanos);
    }

    /** @return array<string, array{gap: float, jitter: float, ever: float}> the worst of each port's senders, in milliseconds */
    private function rhythms(int $now): array
    {
        $worst = [];
        foreach ($this->junction->plan()->ports as $id => $port) {
            foreach ($this->junction->activity((string) $id)->streams->all($now) as $stream) {
                $before = $worst[$id] ?? ['gap' => 0.0, 'jitter' => 0.0, 'ever' => 0.0];
                $worst[$id] = [
                    'gap' => max($before['gap'], round($stream->rhythm->longestGapMillis($now), 1)),
                    'jitter' => max($before['jitter'], round($stream->rhythm->jitterMillis(), 1)),
                    'ever' => max($before['ever'], round($stream->rhythm->longestEverMillis($now), 1)),
                ];
            }
        }

        return $worst;
    }
}
