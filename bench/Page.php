<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Tests\Support\Chrome;
use NimbleJunction\Tests\Support\DemoStack;
use Symfony\Component\Process\Process;

/**
 * A page that shows eight universes, all of which move: pictures a second in Chromium, against the same page with
 * nothing moving and an empty one.
 */
final readonly class Page implements Measurement
{
    private const NET = '127.79.3';
    private const UNIVERSES = 8;

    public function __construct(private float $seconds)
    {
    }

    public function title(): string
    {
        return 'Page: '.self::UNIVERSES.' universes on the overview, all moving, in headless Chromium';
    }

    public function run(): iterable
    {
        $demo = new DemoStack(self::NET);
        $parts = Show::through(self::UNIVERSES, self::NET);
        $file = "{$demo->data}/page.json";
        file_put_contents(
            $file,
            json_encode(['format' => 'nimble-junction/show', 'version' => 1, 'name' => 'Bench', ...$parts], \JSON_THROW_ON_ERROR),
        );
        $chrome = null;
        try {
            (new Process([PHP_BINARY, 'artisan', 'junction:import', $file], \dirname(__DIR__), $demo->environment()))->mustRun();
            $chrome = new Chrome();
            $empty = $this->pictures($chrome);
            $chrome->login($demo, 'builder');
            $chrome->untilText('h1', 'Bench');
            $still = $this->pictures($chrome);
            $desk = new Process(
                [
                    PHP_BINARY,
                    __DIR__.'/Support/moving.php',
                    self::NET.'.31',
                    self::NET.'.1',
                    (string) self::UNIVERSES,
                    (string) ($this->seconds + 15),
                ],
                timeout: null,
            );
            $desk->start();
            $chrome->untilText('[aria-label="Universes"]', 'sends it');
            $chrome->driver->executeScript(
                'window.painted = 0; const clear = CanvasRenderingContext2D.prototype.clearRect; CanvasRenderingContext2D.prototype.clearRect = function (...all) { window.painted++; return clear.apply(this, all) }',
            );
            $moving = $this->pictures($chrome);
            $painted = $chrome->driver->executeScript('return window.painted');
            $desk->stop(2);
        } finally {
            $chrome?->quit();
            $demo->stop();
        }
        yield Line::atLeast('pictures a second while all move', $moving, 50.0, '');
        yield Line::only('pictures a second of the same page, nothing moving', $still, '');
        yield Line::only('pictures a second of an empty page', $empty, '');
        yield Line::only('of those of an empty page', 100 * $moving / $empty, ' %');
        yield Line::only('universes painted a second', $painted / $this->seconds, '');
    }

    private function pictures(Chrome $chrome): float
    {
        return $chrome->driver->executeAsyncScript(
            'const done = arguments[1]; const begin = performance.now(); let count = 0; const next = (now) => { count++; now - begin < arguments[0] * 1000 ? requestAnimationFrame(next) : done(count / ((now - begin) / 1000)) }; requestAnimationFrame(next)',
            [$this->seconds],
        );
    }
}
