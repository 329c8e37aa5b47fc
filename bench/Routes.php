<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;

/**
 * What an OSC message costs that a route takes, and one that none takes, with few routes and with many; round by
 * round, so that a slow moment slows all.
 */
final class Routes implements Measurement
{
    private const CALLS = 5000;
    private const ROUNDS = 9;
    private const ENDPOINT = 'osc 127.0.0.1:8000';

    public function title(): string
    {
        return 'Routes: an OSC message sets a slot, with 10 and with 10,000 routes';
    }

    public function run(): iterable
    {
        $few = self::junction(10);
        $many = self::junction(10_000);
        $now = 1_000_000_000;
        $hit = static fn(Junction $junction): \Closure => static function (int $call) use ($junction, &$now): void {
            $now += 200_000;
            $junction->arrived(self::ENDPOINT, '127.0.0.15', 9000, self::message('/fader/'.$call % 10, $call), $now);
        };
        $miss = static function (int $call) use ($many, &$now): void {
            $now += 200_000;
            $many->arrived(self::ENDPOINT, '127.0.0.15', 9000, self::message('/other/'.$call % 10, $call), $now);
        };
        $base = static fn(int $call): string => self::message('/fader/'.$call % 10, $call);
        $ratios = $misses = $times = $beyond = [];
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $making = Stopwatch::nanos($base, self::CALLS);
            $withFew = Stopwatch::nanos($hit($few), self::CALLS) - $making;
            $withMany = Stopwatch::nanos($hit($many), self::CALLS) - $making;
            $untaken = Stopwatch::nanos($miss, self::CALLS) - $making;
            $ratios[] = $withMany / $withFew;
            $misses[] = $untaken / $withMany;
            $times[] = $withMany / 1000;
            $beyond[] = ($withMany - $untaken) / 1000;
        }
        yield Line::atMost('a message with 10,000 routes against one with 10', Stopwatch::percentile($ratios, 0.5), 1.2, '×');
        yield Line::atMost(
            'one that no route takes against one that is taken, 10,000 routes',
            Stopwatch::percentile($misses, 0.5),
            2.0,
            '×',
        );
        yield Line::atMost(
            'a message that is taken, beyond receiving it: against one that nobody waits for, here',
            Stopwatch::percentile($beyond, 0.5),
            15.0,
            ' µs',
        );
        yield Line::only('a message that is taken, all of it, here', Stopwatch::percentile($times, 0.5), ' µs');
    }

    private static function junction(int $routes): Junction
    {
        $document = [
            'format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Bench', 'universes' => [], 'routes' => [],
            'ports' => [
                [
                    'id' => 'tablet',
                    'name' => 'Tablet',
                    'protocol' => 'osc',
                    'receive' => ['address' => '127.0.0.1', 'port' => 8000],
                ],
            ],
        ];
        for ($i = 0; $i < $routes; ++$i) {
            $universe = 'u'.intdiv($i, 512);
            $document['universes'][$universe] = ['id' => $universe, 'name' => $universe];
            $document['routes'][] = [
                'id' => "r{$i}",
                'name' => "Route {$i}",
                'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => "/fader/{$i}"],
                'to' => ['kind' => 'slot', 'universe' => $universe, 'slot' => $i % 512 + 1],
            ];
        }
        $document['universes'] = array_values($document['universes']);
        $junction = new Junction();
        $junction->adopt((new Compiler(new Identity('bench')))->compile(ShowReader::fromArray($document)), 0);

        return $junction;
    }

    private static function message(string $address, int $call): string
    {
        return (new Message($address, [Argument::float($call % 100 / 100)]))->encode();
    }
}
