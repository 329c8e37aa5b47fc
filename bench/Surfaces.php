<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use App\Live\Secret;
use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Bench\Support\Subject;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Chrome;
use NimbleJunction\Tests\Support\DemoStack;
use Symfony\Component\Process\Process;

/**
 * Surfaces: from a press on a real page to the datagram that leaves, beside the same page and a bare relay; pictures a
 * second while forty controls move; and what fifty surfaces that are open do to the frames of a desk.
 */
final readonly class Surfaces implements Measurement
{
    private const NET = '127.79.9';
    private const PRESSES = 300;
    private const MOVING = 40;
    private const OPEN = 50;

    public function __construct(private float $seconds)
    {
    }

    public function title(): string
    {
        return 'Surfaces: a press, '.self::MOVING.' moving controls, '.self::OPEN.' open at once';
    }

    public function run(): iterable
    {
        yield from $this->onAPage();
        [$alone] = $this->gaps(0);
        [$beside, $heard] = $this->gaps(self::OPEN);
        yield Line::only('gap of a desk\'s frames at 40 Hz, p99, no surface open', $alone, ' ms');
        yield Line::only('the same with '.self::OPEN.' open', $beside, ' ms');
        yield Line::atMost('ratio', $beside / $alone, 1.25, '');
        yield Line::only('messages that these surfaces were told', $heard, '');
    }

    /** @return iterable<Line> */
    private function onAPage(): iterable
    {
        $demo = new DemoStack(self::NET);
        $relayPort = Background::freePort();
        $relay = new Process(
            ['node', __DIR__.'/Support/surfaces.cjs', 'relay', (string) $relayPort, self::NET.'.22', '6454'],
            timeout: null,
        );
        $chrome = null;
        try {
            $file = "{$demo->data}/surfaces.json";
            file_put_contents($file, json_encode(self::show(), \JSON_THROW_ON_ERROR));
            (new Process([PHP_BINARY, 'artisan', 'junction:import', $file], \dirname(__DIR__), $demo->environment()))->mustRun();
            $relay->start();
            $chrome = new Chrome();
            $chrome->login($demo, 'operator');
            $chrome->driver->get($demo->url('/s/bench'));
            $chrome->find('[data-control=bell]');
            $ours = $this->presses(
                $chrome,
                self::NET.'.21',
                'const plate = document.querySelector("[data-control=bell] button"); plate.setPointerCapture = () => {}; window.press = (isDown) => plate.dispatchEvent(new PointerEvent(isDown ? "pointerdown" : "pointerup", { bubbles: true, pointerId: 1 }))',
            );
            $bare = $this->presses(
                $chrome,
                self::NET.'.22',
                "window.bare = new WebSocket('ws://127.0.0.1:{$relayPort}'); window.press = (isDown) => window.bare.send(JSON.stringify({ value: isDown ? 1 : 0 }))",
            );
            $still = $this->pictures($chrome);
            $desk = new Process(
                [PHP_BINARY, __DIR__.'/Support/moving.php', self::NET.'.31', self::NET.'.1', '1', (string) ($this->seconds + 10)],
                timeout: null,
            );
            $desk->start();
            Background::until(
                static fn(): bool => $chrome->driver->executeScript(
                    'return document.querySelector("[data-control=m0] [role=slider]").ariaValueNow !== "0"',
                ),
                'the controls moving',
            );
            $moving = $this->pictures($chrome);
            $desk->stop(2);
        } finally {
            $chrome?->quit();
            $relay->stop(1);
            $demo->stop();
        }
        yield Line::only('press to departure, median of '.\count($ours), $ours[intdiv(\count($ours), 2)], ' ms');
        yield Line::atMost('press to departure, p99', $ours[(int) (0.99 * \count($ours))], 15.0, ' ms');
        yield Line::only('the same page to a bare relay, p99', $bare[(int) (0.99 * \count($bare))], ' ms');
        yield Line::atLeast('pictures a second while '.self::MOVING.' controls move', $moving, 58.0, '');
        yield Line::only('of those of the same page, nothing moving', 100 * $moving / $still, ' %');
    }

    /** @return list<float> milliseconds, in rising order */
    private function presses(Chrome $chrome, string $node, string $script): array
    {
        $hears = new Process(
            [PHP_BINARY, __DIR__.'/Support/departures.php', $node, '6454', (string) (self::PRESSES * 0.1 + 6)],
            timeout: null,
        );
        $hears->start();
        $chrome->driver->executeScript($script);
        $pressed = $chrome->driver->executeAsyncScript(
            'const done = arguments[1]; const at = []; let isDown = false; const next = () => { if (at.length >= arguments[0]) return done(at); isDown = !isDown; at.push([performance.timeOrigin + performance.now(), isDown ? 255 : 0]); press(isDown); setTimeout(next, 90) }; setTimeout(next, 1500)',
            [self::PRESSES],
        );
        $hears->wait();
        $left = array_map(
            static fn(string $line): array => array_map(floatval(...), explode(' ', $line)),
            array_filter(explode("\n", $hears->getOutput())),
        );
        $times = [];
        $place = 0;
        foreach ($pressed as [$at, $level]) {
            while (isset($left[$place]) && ($left[$place][0] < $at || $left[$place][1] !== (float) $level)) {
                ++$place;
            }
            if (isset($left[$place])) {
                $times[] = $left[$place][0] - $at;
            }
        }
        sort($times);

        return $times;
    }

    private function pictures(Chrome $chrome): float
    {
        return $chrome->driver->executeAsyncScript(
            'const done = arguments[1]; const begin = performance.now(); let count = 0; const next = (now) => { count++; now - begin < arguments[0] * 1000 ? requestAnimationFrame(next) : done(count / ((now - begin) / 1000)) }; requestAnimationFrame(next)',
            [$this->seconds],
        );
    }

    /** @return array{float, float} p99 of the gaps between frames in milliseconds, and how much surfaces were told */
    private function gaps(int $open): array
    {
        $live = Background::freePort();
        $show = new Show(self::show());
        $links = new Process(['node', __DIR__.'/Support/surfaces.cjs', 'open'], timeout: null);
        $engine = null;
        try {
            $engine = new Subject(
                ['artisan', 'junction:engine', "--show={$show->file}", '--for=120', "--live=127.0.0.1:{$live}"],
                'The engine runs',
            );
            $secret = Secret::derive((string) getenv('APP_KEY'));
            $urls = array_map(
                static fn(int $i): string => json_encode(
                    [
                        'surface' => 'bench',
                        'url' => "ws://127.0.0.1:{$live}/?token=".urlencode(Token::sign('Bench', Role::Guest, $secret, time(), 'bench', "v{$i}")),
                    ],
                    \JSON_THROW_ON_ERROR,
                ),
                $open === 0 ? [] : range(1, $open),
            );
            $links->setInput(implode("\n", $urls));
            $open > 0 && $links->start();
            $hears = new Process(
                [PHP_BINARY, __DIR__.'/Support/departures.php', self::NET.'.21', '6454', (string) (2 * $this->seconds + 2)],
                timeout: null,
            );
            $hears->start();
            (new Process(
                [PHP_BINARY, __DIR__.'/Support/moving.php', self::NET.'.31', self::NET.'.1', '1', (string) (2 * $this->seconds)],
                timeout: null,
            ))->mustRun();
            $hears->wait();
            $open > 0 && $links->stop(2, SIGTERM);
        } finally {
            $engine?->stop();
            $links->isRunning() && $links->stop(1);
            $show->delete();
        }
        $at = array_map(static fn(string $line): float => (float) $line, array_filter(explode("\n", $hears->getOutput())));
        // The compiler of hot paths has its work done before anything is timed.
        $at = \array_slice($at, intdiv(\count($at), 2));
        $gaps = array_map(static fn(float $a, float $b): float => $b - $a, \array_slice($at, 0, -1), \array_slice($at, 1));
        sort($gaps);

        $told = $open === 0 ? '' : (string) strstr($links->getOutput(), 'heard ');

        return [$gaps[(int) (0.99 * \count($gaps))] ?? 0.0, (float) substr($told, 6)];
    }

    /** @return array<string, mixed> */
    private static function show(): array
    {
        $control = static fn(string $id, int $column, int $row, array $does): array => [
            'id' => $id,
            'name' => $id,
            'column' => $column,
            'row' => $row,
            'does' => $does,
        ];
        $controls = [$control(
            'bell',
            1,
            5,
            ['kind' => 'button', 'mode' => 'momentary', 'points' => [['point' => 'slot:press/1']]],
        )];
        for ($i = 0; $i < self::MOVING; ++$i) {
            $controls[] = $control(
                "m{$i}",
                $i % 10 + 1,
                intdiv($i, 10) + 1,
                ['kind' => 'fader', 'points' => [['point' => 'slot:u0/'.($i + 100)]]],
            );
        }
        $parts = Show::through(1, self::NET);
        $parts['universes'][] = ['id' => 'press', 'name' => 'Press'];
        $parts['ports'][1]['send']['carries'][] = ['number' => 9, 'universe' => 'press'];

        return ['format' => 'nimble-junction/show', ...$parts, 'version' => 2, 'name' => 'Bench', 'surfaces' => [
            [
                'id' => 'bench',
                'name' => 'Bench',
                'pages' => [['id' => 'p', 'name' => 'Page', 'columns' => 10, 'rows' => 5, 'controls' => $controls]],
            ],
        ]];
    }
}
