<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Core\Merge\HtpMerger;
use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Signal\Protocol;

/** HTP of two sources of 512 slots, every slot of both new each time, against a loop over characters. */
final class Merge implements Measurement
{
    private const FRAMES = 64;
    private const CALLS = 4000;

    public function title(): string
    {
        return 'Merge: two sources of 512 slots, all changed';
    }

    public function run(): iterable
    {
        mt_srand(512);
        $frames = array_map(static fn(): array => [self::levels(), self::levels()], range(1, self::FRAMES));
        $merger = new HtpMerger();
        $one = new Source('a', 'p', Protocol::ArtNet, 'A', '127.0.0.1', 100);
        $two = new Source('b', 'p', Protocol::ArtNet, 'B', '127.0.0.2', 100);
        foreach ($frames as [$a, $b]) {
            $one->set($a);
            $two->set($b);
            if ($merger->merge([$one, $two]) !== self::loop($a, $b)) {
                throw new \LogicException('The merge and the loop do not agree.');
            }
        }
        $ours = Stopwatch::nanos(static function (int $call) use ($frames, $merger, $one, $two): void {
            [$a, $b] = $frames[$call % self::FRAMES];
            $one->set($a);
            $two->set($b);
            $merger->merge([$one, $two]);
        }, self::CALLS);
        $loop = Stopwatch::nanos(static function (int $call) use ($frames): void {
            self::loop(...$frames[$call % self::FRAMES]);
        }, self::CALLS);
        yield Line::atMost('time against a character loop', $ours / $loop, 1 / 3, '×');
        yield Line::only('time of one merge here', $ours / 1000, ' µs');
        yield Line::only('time of one character loop here', $loop / 1000, ' µs');
    }

    private static function loop(string $a, string $b): string
    {
        for ($slot = 0; $slot < 512; ++$slot) {
            if ($b[$slot] > $a[$slot]) {
                $a[$slot] = $b[$slot];
            }
        }

        return $a;
    }

    private static function levels(): string
    {
        $levels = '';
        for ($slot = 0; $slot < 512; ++$slot) {
            $levels .= \chr(mt_rand(0, 255));
        }

        return $levels;
    }
}
