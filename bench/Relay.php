<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\InUse;
use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Bench\Support\Subject;
use NimbleJunction\Bench\Support\Traffic;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\Cadence;

/**
 * Many universes from two sources each, merged and sent, by the engine as it is started for real; the same traffic
 * through a bare relay.
 */
final readonly class Relay implements Measurement
{
    private const RATE = 44.0;
    private const NET = '127.79.0';
    private const ROUNDS = 5;

    /**
     * @param bool $isAllMoving every slot moves with every frame; otherwise a few do
     * @param bool $isInUse with a state file, the live link and a page that is open, as in a real show
     */
    public function __construct(
        private int $universes,
        private float $seconds,
        private bool $isAllMoving = false,
        private bool $isInUse = false,
    ) {
    }

    public function title(): string
    {
        $moving = $this->isAllMoving ? ', all slots moving' : ', a few slots moving';
        $use = $this->isInUse ? ', with a state file and an open page' : '';

        return "Relay: {$this->universes} universes at ".self::RATE." Hz from two sources each, merged and sent{$moving}{$use}";
    }

    public function run(): iterable
    {
        $time = (string) (int) (4 * self::ROUNDS * $this->seconds + 90);
        $bare = $this->bare('.2', $time, 'each');
        $batching = $this->bare('.3', $time, 'batches');
        $show = new Show(Show::through($this->universes, self::NET));
        $use = $this->isInUse ? new InUse($this->universes) : null;
        try {
            $engine = new Subject(
                ['artisan', 'junction:engine', "--show={$show->file}", "--for={$time}", ...$use?->options() ?? []],
                'The engine runs',
            );
            $use?->open((float) $time);
            // The compiler of hot paths has its work done before anything is timed.
            $this->measure($engine, '.1');
            $ratios = $ours = $floor = $batches = $lateness = [];
            $dropped = $sent = $heard = $superseded = 0;
            [$stolenBefore, $ticksBefore] = Subject::stolen();
            // Turn by turn, since the machine itself is faster at one moment than at another.
            for ($round = 0; $round < self::ROUNDS; ++$round) {
                [$floor[]] = $this->measure($bare, '.2');
                [$batches[]] = $this->measure($batching, '.3');
                [$ours[], $traffic, $lost] = $this->measure($engine, '.1');
                $ratios[] = end($ours) / end($floor);
                array_push($lateness, ...$traffic->lateness);
                $dropped += $lost;
                $sent += $traffic->sent;
                $heard += $traffic->heard;
                $superseded += $traffic->superseded;
            }
            $memory = $engine->ownMegabytes();
            [, , $lostAtHalf] = $this->measure($engine, '.1', self::RATE / 2);
            [$stolen, $ticks] = Subject::stolen();
        } finally {
            isset($engine) && $engine->stop();
            $use?->close();
            $bare->stop();
            $batching->stop();
            $show->delete();
        }
        yield Line::atMost(
            'processor time a packet received, against the bare relay',
            Stopwatch::percentile($ratios, 0.5),
            2.0,
            '×',
        );
        yield Line::only(
            'the same against the bare relay that reads in batches',
            Stopwatch::percentile(array_map(static fn(float $one, float $other): float => $one / $other, $ours, $batches), 0.5),
            '×',
        );
        yield Line::only('processor time a packet here', Stopwatch::percentile($ours, 0.5), ' µs');
        yield Line::only('processor time a packet of the bare relay here', Stopwatch::percentile($floor, 0.5), ' µs');
        yield Line::only(
            'processor time a packet of the bare relay that reads in batches here',
            Stopwatch::percentile($batches, 0.5),
            ' µs',
        );
        yield Line::atMost(
            'arrival to departure, p99, beyond the output\'s own rate limit',
            Stopwatch::percentile($lateness, 0.99) / 1000,
            5.0,
            ' ms',
        );
        yield Line::only('arrival to departure, median', Stopwatch::percentile($lateness, 0.5) / 1000, ' ms');
        yield Line::atMost('memory of the engine', $memory, 96.0, ' MB');
        yield Line::atMost('datagrams dropped at half that rate', $lostAtHalf, 0.0, '');
        yield Line::atMost('datagrams dropped: with any, the ratio above counts for nothing', $dropped, 0.0, '');
        yield Line::only(
            'processor time that the host took away meanwhile: above 5 the times say nothing',
            100 * ($stolen - $stolenBefore) / max(1, $ticks - $ticksBefore),
            ' %',
        );
        yield Line::only('datagrams received', $sent, '');
        yield Line::only('datagrams sent', $heard, '');
        yield Line::only(
            'frames of the first desk that a newer one took the place of, by the output\'s own rate',
            $superseded,
            '',
        );
    }

    /** @return array{float, Traffic, int} microseconds of processor time a packet received; the traffic; what was dropped */
    private function measure(Subject $subject, string $end, float $rate = self::RATE): array
    {
        $address = self::NET.$end;
        $traffic = new Traffic(self::NET);
        $before = $subject->cpuSeconds();
        $lost = Subject::dropped($address, 6454);
        $traffic->run($this->universes, $rate, $this->seconds, Cadence::of(Protocol::ArtNet)->gap, $address, $this->isAllMoving);
        $micros = ($subject->cpuSeconds() - $before) * 1e6;
        $lostAtUs = Subject::dropped($address, 6454) - $lost;
        $dropped = $lostAtUs + $traffic->nodeDropped();
        $traffic->close();

        // Divided by what was received: a packet that is lost is not cheap.
        return [$micros / max(1, $traffic->sent - $lostAtUs), $traffic, $dropped];
    }

    private function bare(string $end, string $time, string $how): Subject
    {
        return new Subject([__DIR__.'/Support/relay.php', self::NET.$end, '6454', self::NET.'.21', $time, $how], 'ready');
    }
}
