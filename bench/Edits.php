<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Builder;
use NimbleJunction\Bench\Support\LargeShow;
use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\DemoStack;
use Symfony\Component\Process\Process;

/**
 * Edits of one field in a large show, through the web server, as a page makes them: what they cost the processor in all, and
 * what the lamps see of it. Beside them the whole show, taken on at once.
 */
final readonly class Edits implements Measurement
{
    private const NET = '127.81';
    private const ROUNDS = 8;
    private const PARTS = ['ports' => 'port-3', 'universes' => 'universe-9', 'fixtures' => 'fixture-8', 'routes' => 'route-9001'];

    public function title(): string
    {
        return 'Edits: one field of 100 ports, 256 universes, 2,000 fixtures, 10,000 routes';
    }

    public function run(): iterable
    {
        $demo = new DemoStack(self::NET.'.9');
        $file = "{$demo->data}/large.json";
        file_put_contents($file, json_encode((new LargeShow(self::NET))->document(), JSON_THROW_ON_ERROR));
        $gaps = null;
        try {
            (new Process(
                [PHP_BINARY, 'artisan', 'junction:import', $file],
                \dirname(__DIR__),
                $demo->environment(),
                timeout: 120,
            ))->mustRun();
            $builder = new Builder($demo);
            $gaps = new Background([
                PHP_BINARY,
                __DIR__.'/Support/gaps.php',
                self::NET.'.3.1',
                self::NET.'.1.1',
                self::NET.'.2.31',
                '300',
            ]);
            $gaps->untilSaid('ready');
            $builder->edit('ports', 'port-3', 'The first one compiles');
            $phases = ['nothing' => [hrtime(true), $this->wait(4.0)]];
            foreach (self::PARTS as $list => $id) {
                $began = hrtime(true);
                $costs = $times = [];
                for ($round = 0; $round < self::ROUNDS; ++$round) {
                    $before = $builder->cpuSeconds();
                    $asked = hrtime(true);
                    $bytes = $builder->edit($list, $id, "Name {$round}");
                    $times[] = (hrtime(true) - $asked) / 1e6;
                    $costs[] = ($builder->cpuSeconds() - $before) * 1000;
                }
                $phases[$list] = [$began, hrtime(true)];
                yield Line::atMost(
                    "{$list}: processor of web server and engine together, mean",
                    array_sum($costs) / self::ROUNDS,
                    150.0,
                    ' ms',
                );
                yield Line::only("{$list}: from asking to the answer, median", Stopwatch::percentile($times, 0.5), ' ms');
                yield Line::only("{$list}: the answer", $bytes / 1024, ' kB');
            }
            $began = hrtime(true);
            (new Process(
                [PHP_BINARY, 'artisan', 'junction:import', $file],
                \dirname(__DIR__),
                $demo->environment(),
                timeout: 120,
            ))->mustRun();
            $phases['the whole show'] = [$began, $this->wait(1.0)];
        } finally {
            $said = $gaps?->output() ?? '';
            $gaps?->stop();
            $demo->stop();
        }
        $longest = array_map(static fn(array $phase): float => self::longest($said, ...$phase), $phases);
        yield Line::only('longest gap between frames, nothing edited', $longest['nothing'], ' ms');
        foreach (\array_slice($longest, 1) as $what => $gap) {
            yield Line::atMost("longest gap while it is edited: {$what}", $gap, $longest['nothing'] + 40, ' ms');
        }
    }

    private function wait(float $seconds): int
    {
        usleep((int) ($seconds * 1e6));

        return (int) hrtime(true);
    }

    /** @return float milliseconds between two frames that came then */
    private static function longest(string $said, int $from, int $to): float
    {
        $longest = 0;
        $last = null;
        foreach (explode("\n", $said) as $line) {
            $at = (int) $line;
            if ($at < $from || $at > $to) {
                continue;
            }
            $longest = max($longest, $last === null ? 0 : $at - $last);
            $last = $at;
        }

        return $longest / 1e6;
    }
}
