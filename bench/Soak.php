<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Evening;
use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Bench\Support\Subject;
use NimbleJunction\Core\Wire\ArtNet\Dmx;

/**
 * An engine at work for a long time, with desks that come and go, rubbish, and a programme that hands play on: its memory
 * stays as it is.
 */
final readonly class Soak implements Measurement
{
    private const NET = '127.79.2';
    private const UNIVERSES = 16;
    private const RATE = 40.0;

    /** Hands do something at every so many turns: twice a second. */
    private const TURNS_AN_ACT = 20;
    private const MOVED_BY_DESKS = 40;

    /** Levels begin behind as many bytes of an ArtDmx packet, its universe 4 before. */
    private const LEVELS_AT = 18;

    /** Caches and the compiler of hot paths fill in the first part of the time. */
    private const WARM = 0.2;

    public function __construct(private float $seconds)
    {
    }

    public function title(): string
    {
        return 'Soak: '.self::UNIVERSES.' universes, desks that come and go, rubbish, a programme that runs and is played on, for '
            .round($this->seconds / 60, 1).' minutes';
    }

    public function run(): iterable
    {
        $show = new Show(Evening::over(Show::through(self::UNIVERSES, self::NET), self::NET.'.1'));
        $engine = new Subject(
            ['artisan', 'junction:engine', "--show={$show->file}", '--for='.($this->seconds + 120)],
            'The engine runs',
        );
        $desks = array_map(
            static fn(string $end) => stream_socket_server(
                'udp://'.self::NET."{$end}:6454",
                $code,
                $message,
                \STREAM_SERVER_BIND,
            ),
            ['.11', '.12', '.13'],
        );
        $node = stream_socket_server('udp://'.self::NET.'.21:6454', $code, $message, \STREAM_SERVER_BIND);
        stream_set_blocking($node, false);
        $warm = null;
        $sent = $heard = $acts = $moved = 0;
        $last = [];
        $cpu = $engine->cpuSeconds();
        $most = 0.0;
        try {
            $begin = microtime(true);
            for ($turn = 0; ($now = microtime(true) - $begin) < $this->seconds; ++$turn) {
                // The third desk is there for ten of every thirty seconds, the second goes through a minute's silence now and
                // then.
                $here = array_filter([0 => true, 1 => fmod($now, 300) > 60, 2 => fmod($now, 30) < 10]);
                foreach (array_keys($here) as $desk) {
                    for ($number = 0; $number < self::UNIVERSES; ++$number) {
                        $levels = str_repeat(\chr($turn % 256), self::MOVED_BY_DESKS).str_repeat(\chr(17 * $desk), 512 - self::MOVED_BY_DESKS);
                        stream_socket_sendto(
                            $desks[$desk],
                            (new Dmx($number, $levels, $turn % 255 + 1))->encode(),
                            0,
                            self::NET.'.1:6454',
                        );
                        ++$sent;
                    }
                }
                $turn % 20 === 0 && stream_socket_sendto($desks[0], random_bytes(random_int(1, 600)), 0, self::NET.'.1:6454');
                $turn % self::TURNS_AN_ACT === 7
                    && stream_socket_sendto($desks[2], Evening::act($acts++), 0, self::NET.'.1:'.Evening::PORT);
                while (($datagram = stream_socket_recvfrom($node, 2048)) !== false) {
                    ++$heard;
                    // Behind the slots that desks move, only the programme does anything.
                    $levels = substr((string) $datagram, self::LEVELS_AT + self::MOVED_BY_DESKS);
                    $universe = substr((string) $datagram, self::LEVELS_AT - 4, 2);
                    $moved += (int) (($last[$universe] ?? $levels) !== $levels);
                    $last[$universe] = $levels;
                }
                if ($now > $this->seconds * self::WARM) {
                    $turn % 40 === 0 && $most = max($most, $engine->ownMegabytes());
                    $warm ??= $engine->ownMegabytes();
                }
                $wait = ($turn + 1) / self::RATE - (microtime(true) - $begin);
                $wait > 0 && usleep((int) ($wait * 1e6));
            }
            $end = $engine->ownMegabytes();
            $cpu = $engine->cpuSeconds() - $cpu;
        } finally {
            $engine->stop();
            $show->delete();
            array_map(fclose(...), [...$desks, $node]);
        }
        yield Line::atMost(
            'memory at the end, of what it was after a fifth of the time',
            $end / max(1.0, $warm ?? 1.0),
            1.05,
            '×',
        );
        yield Line::only('memory then', $warm ?? 0.0, ' MB');
        yield Line::only('memory at most', $most, ' MB');
        yield Line::only('memory at the end', $end, ' MB');
        yield Line::only('of one core', 100 * $cpu / $this->seconds, ' %');
        yield Line::only('acts of the hands', $acts, '');
        yield Line::only('datagrams received', $sent, '');
        yield Line::only('datagrams sent', $heard, '');
        yield Line::only('of these moved by the programme', $moved, '');
    }
}
