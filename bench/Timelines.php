<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Bench\Support\Subject;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Chrome;
use NimbleJunction\Tests\Support\DemoStack;
use NimbleJunction\Tests\Support\PseudoTerminal;
use NimbleJunction\Tests\Support\Udp;
use Symfony\Component\Process\Process;

/**
 * Timelines: what a hundred lines cost, how near triggers and quarter frames leave to their places, and how soon a long one
 * is worked with.
 */
final class Timelines implements Measurement
{
    private const NET = '127.79.5';
    private const UNIVERSES = 64;
    private const LINES = 100;
    private const FRAME_NANOS = 22_727_272;
    private const FRAMES = 440;
    private const TRIGGERS = 300;
    private const APART = 0.037;
    private const SECOND = 1_000_000_000;

    public function title(): string
    {
        return 'Timelines: 100 lines, triggers while 64 universes run, a timeline of 5,000 items';
    }

    public function run(): iterable
    {
        yield Line::atMost(
            '100 smooth lines of 16 bits at 44 Hz: of one core, beyond the same without them',
            100 * $this->share(),
            10,
            ' %',
        );
        yield from $this->triggers();
        yield from $this->page();
    }

    /** @return float of one core */
    private function share(): float
    {
        $knots = array_map(static fn(int $i): array => ['at' => $i * 3, 'value' => $i % 2 * 100, 'to' => 'smooth'], range(0, 19));
        $document = [
            'format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Bench', 'routes' => [],
            'universes' => [['id' => 'u', 'name' => 'U', 'merge' => 'slot']],
            'ports' => [[
                'id' => 'out',
                'name' => 'Out',
                'protocol' => 'art-net',
                'send' => ['to' => ['127.0.0.16'], 'carries' => [['number' => 1, 'universe' => 'u']]],
            ]],
            'profiles' => [[
                'id' => 'fine',
                'name' => 'Fine',
                'parameters' => [['name' => 'level', 'kind' => 'other', 'slots' => 2]],
            ]],
            'fixtures' => array_map(
                static fn(int $i): array => [
                    'id' => "f{$i}",
                    'name' => "F{$i}",
                    'profile' => 'fine',
                    'universe' => 'u',
                    'first' => 1 + 2 * $i,
                ],
                range(0, self::LINES - 1),
            ),
            'timelines' => [['id' => 'song', 'name' => 'Song', 'loop' => true, 'tracks' => array_map(static fn(int $i): array => [
                'id' => "t{$i}",
                'name' => "T{$i}",
                'does' => ['kind' => 'levels', 'point' => "fixture:f{$i}/level", 'knots' => $knots],
            ], range(0, self::LINES - 1))]],
        ];
        $took = [];
        foreach ([
            $document,
            [...$document, 'timelines' => [['id' => 'song', 'name' => 'Song', 'length' => 60, 'loop' => true]]],
        ] as $one) {
            $junction = new Junction();
            $junction->adopt((new Compiler(new Identity('bench')))->compile(ShowReader::fromArray($one)), 0);
            $now = self::SECOND;
            $junction->press(
                Reference::parse('timeline:song/play') ?? throw new \LogicException(),
                new Act('bench', 'Bench'),
                $now,
            );
            $began = hrtime(true);
            for ($i = 0; $i < self::FRAMES; ++$i) {
                $now += self::FRAME_NANOS;
                for ($k = 0; $k < 50 && $junction->dueAt() <= $now; ++$k) {
                    $junction->wake($now);
                }
            }
            $took[] = (hrtime(true) - $began) / (self::FRAMES * self::FRAME_NANOS);
        }

        return $took[0] - $took[1];
    }

    /** @return \Generator<Line> */
    private function triggers(): \Generator
    {
        $sink = new Udp(self::NET.'.30', 9000);
        $triggers = array_map(static fn(int $i): array => [
            'id' => "t{$i}",
            'at' => round(1 + $i * self::APART, 4),
            'do' => [['kind' => 'send', 'port' => 'marks', 'message' => ['kind' => 'osc', 'address' => "/mark/{$i}"]]],
        ], range(0, self::TRIGGERS - 1));
        $parts = Show::through(self::UNIVERSES, self::NET);
        $parts['ports'][] = [
            'id' => 'marks',
            'name' => 'Marks',
            'protocol' => 'osc',
            'receive' => ['address' => self::NET.'.1', 'port' => 8000],
            'send' => ['address' => self::NET.'.1', 'to' => [self::NET.'.30'], 'port' => 9000],
        ];
        $parts['version'] = 2;
        $parts['timelines'] = [[
            'id' => 'song',
            'name' => 'Song',
            'tracks' => [['id' => 'marks', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => $triggers]]],
        ]];
        $parts['routes'][] = [
            'id' => 'play',
            'name' => 'Play',
            'when' => [['kind' => 'osc', 'port' => 'marks', 'address' => '/play']],
            'do' => [['kind' => 'press', 'point' => 'timeline:song/play']],
        ];
        $line = new PseudoTerminal();
        $parts['ports'][] = [
            'id' => 'sync',
            'name' => 'Sync',
            'protocol' => 'midi',
            'link' => ['kind' => 'device', 'device' => $line->path],
            'send' => (object) [],
        ];
        $parts['timecodes'] = [['id' => 'clock', 'name' => 'Clock', 'sends' => ['sync']]];
        $parts['routes'][] = [
            'id' => 'tape',
            'name' => 'Tape',
            'when' => [['kind' => 'osc', 'port' => 'marks', 'address' => '/tape']],
            'do' => [['kind' => 'press', 'point' => 'timecode:clock/start']],
        ];
        $show = new Show($parts);
        try {
            $_ENV['JUNCTION_DEVICES'] = '/dev/pts';
            $engine = new Subject(['artisan', 'junction:engine', "--show={$show->file}", '--for=90'], 'The engine runs');
            foreach (['with nothing else' => false, 'while 64 universes run' => true] as $words => $isBusy) {
                $traffic = $isBusy ? $this->flood() : null;
                usleep($isBusy ? 1_000_000 : 0);
                $errors = $this->marks($sink);
                $traffic?->stop();
                if ($isBusy) {
                    yield Line::atMost(
                        "trigger against its place, {$words}: 99 of 100",
                        Stopwatch::percentile($errors, 0.99),
                        2.0,
                        ' ms',
                    );
                    yield Line::only('the same, median', Stopwatch::percentile($errors, 0.5), ' ms');
                    yield from $this->pieces($sink, $line);
                } else {
                    yield Line::only(
                        "trigger against its place, {$words}: 99 of 100",
                        Stopwatch::percentile($errors, 0.99),
                        ' ms',
                    );
                }
            }
        } finally {
            isset($engine) && $engine->stop();
            $show->delete();
            $line->close();
        }
    }

    /**
     * Quarter frames as they come out of a device file, against the grid of 25 frames a second: four a frame.
     *
     * @return \Generator<Line>
     */
    private function pieces(Udp $sink, PseudoTerminal $line): \Generator
    {
        $traffic = $this->flood();
        $sink->send("/tape\0\0\0,\0\0\0", self::NET.'.1:8000');
        $at = [];
        for ($until = microtime(true) + 8; microtime(true) < $until;) {
            $reads = [$line->stream()];
            $none = null;
            if ((int) stream_select($reads, $none, $none, 0, 100_000) > 0) {
                $bytes = $line->read();
                array_push($at, ...array_fill(0, substr_count($bytes, "\xF1"), microtime(true)));
            }
        }
        $traffic->stop();
        $late = array_map(static fn(int $i): float => $at[$i] - $i * 0.01, array_keys($at));
        $errors = array_map(static fn(float $one): float => ($one - min($late)) * 1000.0, $late);
        yield Line::only(
            'quarter frames at a device file against their grid, while 64 universes run: median',
            Stopwatch::percentile($errors, 0.5),
            ' ms',
        );
        yield Line::only('the same, 99 of 100, of '.\count($at), Stopwatch::percentile($errors, 0.99), ' ms');
    }

    private function flood(): Process
    {
        $flood = new Process([
            PHP_BINARY,
            __DIR__.'/Support/flood64.php',
            self::NET,
            self::NET.'.1',
            (string) self::UNIVERSES,
            '44',
            '20',
        ]);
        $flood->start();

        return $flood;
    }

    /** @return list<float> milliseconds that each mark came later than the grid on which the earliest of them lies */
    private function marks(Udp $sink): array
    {
        while ($sink->receive(0.05) !== null) {
            continue;
        }
        $sink->send("/play\0\0\0,\0\0\0", self::NET.'.1:8000');
        $late = [];
        $until = microtime(true) + 5 + self::TRIGGERS * self::APART;
        while (\count($late) < self::TRIGGERS && microtime(true) < $until) {
            $bytes = $sink->receive(2.0);
            $at = microtime(true);
            if ($bytes === null || preg_match('#^/mark/(\d+)#', $bytes, $found) !== 1) {
                continue;
            }
            $late[] = $at - (int) $found[1] * self::APART;
        }
        $earliest = $late === [] ? 0.0 : min($late);

        return array_map(static fn(float $one): float => ($one - $earliest) * 1000.0, $late);
    }

    /** @return \Generator<Line> */
    private function page(): \Generator
    {
        $demo = new DemoStack('127.82.1');
        $chrome = null;
        try {
            $export = (new Process(
                [PHP_BINARY, 'artisan', 'junction:export'],
                \dirname(__DIR__),
                $demo->environment(),
                timeout: 60,
            ))->mustRun()->getOutput();
            $document = json_decode($export, true, flags: JSON_THROW_ON_ERROR);
            $document['timelines'][] = ['id' => 'long', 'name' => 'Long', 'length' => 3600, 'tracks' => [...array_map(static fn(int $t): array => [
                'id' => "m{$t}",
                'name' => "Marks {$t}",
                'does' => [
                    'kind' => 'triggers',
                    'triggers' => array_map(
                        static fn(int $i): array => ['id' => "t{$i}", 'at' => $i * 7 + $t, 'name' => "Mark {$i}"],
                        range(0, 499),
                    ),
                ],
            ], range(0, 4)), ...array_map(static fn(int $t): array => [
                'id' => "l{$t}",
                'name' => "Level {$t}",
                'does' => [
                    'kind' => 'levels',
                    'point' => 'fixture:lantern/level',
                    'knots' => array_map(
                        static fn(int $i): array => ['at' => $i * 14 + $t, 'value' => ($i * 37) % 100],
                        range(0, 249),
                    ),
                ],
            ], range(0, 9))]];
            file_put_contents("{$demo->data}/long.json", json_encode($document, JSON_THROW_ON_ERROR));
            (new Process(
                [PHP_BINARY, 'artisan', 'junction:import', "{$demo->data}/long.json"],
                \dirname(__DIR__),
                $demo->environment(),
                timeout: 60,
            ))->mustRun();
            $chrome = new Chrome();
            $chrome->login($demo, 'builder');
            $chrome->driver->get($demo->url('/timeline'));
            $chrome->find('.row-button');
            $began = microtime(true);
            $chrome->driver->get($demo->url('/timeline-edit/long'));
            $chrome->find('.names li');
            $chrome->driver->executeScript('document.querySelector("canvas").focus()');
            yield Line::atMost(
                'a timeline of 5,000 items: from its address until it can be worked with',
                microtime(true) - $began,
                1.0,
                ' s',
            );
            $pictures = array_map(
                fn(array $keys): float => $this->pictures($chrome, $keys),
                ['scrolling' => ['shiftKey' => true], 'zooming' => ['ctrlKey' => true]],
            );
            $chrome->driver->get('about:blank');
            $most = $this->pictures($chrome, []);
            yield Line::only('pictures a second of an empty page', $most, '');
            foreach ($pictures as $words => $count) {
                yield Line::atLeast("pictures a second, {$words}, against an empty page", $count / $most, 0.95, '×');
            }
        } finally {
            $chrome?->quit();
            $demo->stop();
        }
    }

    /** @param array<string, bool> $keys held while the wheel turns */
    private function pictures(Chrome $chrome, array $keys): float
    {
        return (float) $chrome->driver->executeAsyncScript(<<<'JS'
            const [keys, done] = arguments
            const canvas = document.querySelector('canvas')
            let count = 0
            const began = performance.now()
            function look() {
              const passed = performance.now() - began
              if (passed > 3000) return done((count * 1000) / passed)
              count += 1
              const turn = { bubbles: true, cancelable: true, deltaY: passed % 1500 < 750 ? 60 : -60, clientX: 700, clientY: 400, ...keys }
              canvas?.dispatchEvent(new WheelEvent('wheel', turn))
              requestAnimationFrame(look)
            }
            requestAnimationFrame(look)
            JS, [$keys]);
    }
}
