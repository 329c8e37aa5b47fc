<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Wire\ArtNet\Dmx;

/**
 * What merging by whole values costs a frame on its way through the core: two desks, one universe, all of it patched
 * with parameters of 16 bits, against none patched.
 */
final class Parameters implements Measurement
{
    private const CALLS = 4000;
    private const ROUNDS = 9;
    private const FRAMES = 64;
    private const ENDPOINT = 'art-net 127.0.0.1:6454';

    public function title(): string
    {
        return 'Parameters: a frame from arrival to departure, 256 parameters of 16 bits against 512 slots of 8';
    }

    public function run(): iterable
    {
        mt_srand(16);
        foreach (['few slots moving' => [4, 1.2], 'all slots moving' => [512, 1.5]] as $what => [$moving, $aim]) {
            $frames = self::frames($moving);
            [$bytes, $wide] = [self::junction(false), self::junction(true)];
            $ratios = $times = [];
            for ($round = 0; $round < self::ROUNDS; ++$round) {
                $plain = Stopwatch::nanos(self::through($bytes, $frames), self::CALLS);
                $whole = Stopwatch::nanos(self::through($wide, $frames), self::CALLS);
                $ratios[] = $whole / $plain;
                $times[] = $whole / 1000;
            }
            yield Line::atMost(
                "a frame by whole values against one byte by byte, {$what}",
                Stopwatch::percentile($ratios, 0.5),
                $aim,
                '×',
            );
            yield Line::only("a frame by whole values here, {$what}", Stopwatch::percentile($times, 0.5), ' µs');
        }
    }

    /** @param list<string> $frames */
    private static function through(Junction $junction, array $frames): \Closure
    {
        static $now = 1_000_000_000;

        return static function (int $call) use ($junction, $frames, &$now): void {
            $now += 11_400_000;
            $junction->arrived(
                self::ENDPOINT,
                $call % 2 === 0 ? '127.0.0.11' : '127.0.0.12',
                6454,
                $frames[$call % self::FRAMES],
                $now,
            );
            $junction->wake($now);
        };
    }

    /** @return list<string> packets, from two desks in turn */
    private static function frames(int $moving): array
    {
        $levels = [random_bytes(512), random_bytes(512)];
        $frames = [];
        for ($i = 0; $i < self::FRAMES; ++$i) {
            for ($k = 0; $k < $moving; ++$k) {
                $levels[$i % 2][$moving === 512 ? $k : mt_rand(0, 511)] = \chr(mt_rand(0, 255));
            }
            $frames[] = (new Dmx(1, $levels[$i % 2]))->encode();
        }

        return $frames;
    }

    private static function junction(bool $isWide): Junction
    {
        $parameters = array_map(static fn(int $i): array => ['name' => "p{$i}", 'slots' => 2], range(1, 256));
        $document = [
            'format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Bench', 'universes' => [['id' => 'u', 'name' => 'U']],
            'ports' => [
                [
                    'id' => 'in',
                    'name' => 'In',
                    'protocol' => 'art-net',
                    'receive' => ['address' => '127.0.0.1', 'feeds' => [['number' => 1, 'universe' => 'u']]],
                ],
                [
                    'id' => 'out',
                    'name' => 'Out',
                    'protocol' => 'art-net',
                    'send' => ['to' => ['127.0.0.16'], 'carries' => [['number' => 9, 'universe' => 'u']]],
                ],
            ],
            ...($isWide ? [
                'profiles' => [['id' => 'all', 'name' => 'All', 'parameters' => $parameters]],
                'fixtures' => [['id' => 'f', 'name' => 'F', 'profile' => 'all', 'universe' => 'u', 'first' => 1]],
            ] : []),
        ];
        $junction = new Junction();
        $junction->adopt((new Compiler(new Identity('bench')))->compile(ShowReader::fromArray($document)), 0);

        return $junction;
    }
}
