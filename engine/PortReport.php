<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Discovery\Neighbour;
use NimbleJunction\Core\Discovery\Service;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Merge\Rhythm;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\Stream;
use NimbleJunction\Engine\Discovery\ServiceDiscovery;
use NimbleJunction\Engine\Net\Transports;
use NimbleJunction\Engine\Said\Finds;
use NimbleJunction\Engine\Said\FoundService;
use NimbleJunction\Engine\Said\LentDevice;
use NimbleJunction\Engine\Said\Neighbour as NeighbourFound;
use NimbleJunction\Engine\Said\PortLife;
use NimbleJunction\Engine\Said\Stray;

/** How the ports are, and what is out there, as pages are told. */
final readonly class PortReport
{
    private const LATELY_NANOS = 10_000_000_000;

    public function __construct(
        private Junction $junction,
        private Transports $transports,
        private ?ServiceDiscovery $discovery = null,
    ) {
    }

    /** @return array<string, PortLife> by port */
    public function lives(int $now): array
    {
        $plan = $this->junction->plan();
        $rhythms = $this->rhythms($now);
        $lives = [];
        foreach ($plan->ports as $id => $port) {
            $activity = $this->junction->activity((string) $id);
            $lives[$id] = new PortLife(
                $activity->state($port['protocol'], $port['receives'], $port['sends'], $now)->value,
                $activity->fault,
                round($activity->rate($now, true), 1),
                round($activity->rate($now, false), 1),
                $activity->received,
                $activity->sent,
                $activity->lost + $this->transports->lost($port['via']),
                $rhythms[$id]['gap'] ?? null,
                $rhythms[$id]['jitter'] ?? null,
                $port['protocol']->carriesLevels() && $port['receives'] ? $activity->healthWords($now) : '',
                self::loss($activity, $now, 10),
                self::loss($activity, $now, 60),
                self::loss($activity, $now, null),
                $rhythms[$id]['gapTen'] ?? null,
                $rhythms[$id]['ever'] ?? null,
                $rhythms[$id]['jitterMinute'] ?? null,
                $rhythms[$id]['jitterEver'] ?? null,
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

        $services = array_map(
            static fn(Service $one): FoundService => new FoundService(
                $one->type,
                $one->protocol(),
                $one->name,
                $one->address,
                $one->port,
            ),
            $this->discovery?->found() ?? [],
        );

        return new Finds(array_values($neighbours), $devices, $this->strays($now), $services, $this->discovery?->problem() ?? '');
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

    /** In per cent; of the last so many seconds, or of all. */
    private static function loss(Activity $activity, int $now, ?int $seconds): float
    {
        return round(100 * $activity->lossPart($now, $seconds), 1);
    }

    private static function at(?int $nanos): ?float
    {
        return $nanos === null ? null : Engine::millis($nanos);
    }

    /** @return array<string, non-empty-array<string, float>> the worst of each port's senders, in milliseconds */
    private function rhythms(int $now): array
    {
        $worst = [];
        foreach ($this->junction->plan()->ports as $id => $port) {
            $activity = $this->junction->activity((string) $id);
            $rhythms = $activity->heardAt === null ? [] : [$activity->rhythm];
            if ($port['protocol']->carriesLevels()) {
                $rhythms = array_map(static fn(Stream $stream): Rhythm => $stream->rhythm, $activity->streams->all($now));
            }
            foreach ($rhythms as $rhythm) {
                foreach (self::figures($rhythm, $now) as $name => $value) {
                    $worst[$id][$name] = max($worst[$id][$name] ?? 0.0, round($value, 1));
                }
            }
        }

        return $worst;
    }

    /** @return array<string, float> */
    private static function figures(Rhythm $rhythm, int $now): array
    {
        [$jitter, $jitterMinute, $jitterEver] = $rhythm->jittersMillis();

        return [
            'gapTen' => $rhythm->longestTenMillis($now),
            'gap' => $rhythm->longestGapMillis($now),
            'ever' => $rhythm->longestEverMillis($now),
            'jitter' => $jitter,
            'jitterMinute' => $jitterMinute,
            'jitterEver' => $jitterEver,
        ];
    }
}
