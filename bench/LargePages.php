<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\LargeShow;
use NimbleJunction\Tests\Support\Chrome;
use NimbleJunction\Tests\Support\DemoStack;
use Symfony\Component\Process\Process;

/** The pages of a large show in headless Chromium: from the address to the first row, and pictures a second while it scrolls. */
final readonly class LargePages implements Measurement
{
    private const NET = '127.81';

    /** What has to stand there before somebody can work with a page. */
    private const PAGES = [
        '/' => '[data-node]',
        '/ports' => '.row-button',
        '/patch' => '.row-button',
        '/universes' => '.cell',
        '/routes' => '.row-button',
        '/scope' => 'h1',
        '/show' => '.shelf li',
        '/history' => '.station',
    ];

    public function __construct(private float $seconds)
    {
    }

    public function title(): string
    {
        return 'Pages: 100 ports, 256 universes, 2,000 fixtures, 10,000 routes';
    }

    public function run(): iterable
    {
        $demo = new DemoStack(self::NET.'.9');
        $chrome = null;
        try {
            self::import($demo, (new LargeShow(self::NET))->document());
            $chrome = new Chrome();
            $chrome->login($demo, 'builder');
            // The first of all puts the show into words.
            yield Line::only('the first look at the show, page /ports', $this->open($chrome, $demo, '/ports'), ' s');
            foreach (array_keys(self::PAGES) as $page) {
                yield Line::atMost("{$page}: from its address to its first row", $this->open($chrome, $demo, $page), 1.5, ' s');
                yield Line::atLeast("{$page}: pictures a second while it scrolls", $this->scroll($chrome), 50.0, '');
            }
            self::import($demo, Patched::document(true));
            yield Line::only(
                '2,000 fixtures of 20 parameters: the first look, page /patch',
                $this->open($chrome, $demo, '/patch'),
                ' s',
            );
            yield Line::atMost('the same: from its address to its first row', $this->open($chrome, $demo, '/patch'), 1.0, ' s');
            yield Line::atLeast('the same: pictures a second while it scrolls', $this->scroll($chrome), 50.0, '');
            $chrome->driver->get('about:blank');
            yield Line::only('pictures a second of an empty page', $this->scroll($chrome), '');
        } finally {
            $chrome?->quit();
            $demo->stop();
        }
    }

    /** @param array<string, mixed> $document */
    private static function import(DemoStack $demo, array $document): void
    {
        $file = "{$demo->data}/large.json";
        file_put_contents($file, json_encode($document, JSON_THROW_ON_ERROR));
        $import = [PHP_BINARY, 'artisan', 'junction:import', $file];
        (new Process($import, \dirname(__DIR__), $demo->environment(), timeout: 120))->mustRun();
    }

    /** @return float seconds */
    private function open(Chrome $chrome, DemoStack $demo, string $page): float
    {
        $began = microtime(true);
        $chrome->driver->get($demo->url($page));
        $chrome->find(self::PAGES[$page]);

        return microtime(true) - $began;
    }

    private function scroll(Chrome $chrome): float
    {
        return $chrome->driver->executeAsyncScript(
            'const done = arguments[1]; const box = [...document.querySelectorAll("main, main *")].find((one) => one.scrollHeight > one.clientHeight + 200 && getComputedStyle(one).overflowY !== "visible");'
            .' const begin = performance.now(); let count = 0; const next = (now) => { count++; if (box) box.scrollTop += 120; now - begin < arguments[0] * 1000 ? requestAnimationFrame(next) : done(count / ((now - begin) / 1000)) }; requestAnimationFrame(next)',
            [$this->seconds],
        );
    }
}
