<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\Attributes\TestWith;

/** axe-core, a general-purpose accessibility checker, on every page, in both themes, at three sizes. */
final class AccessTest extends BrowserTestCase
{
    /** Each page, and what opens on it. */
    private const PAGES = [
        '/',
        '/ports/house-desk',
        '/ports/house-desk?check=1',
        '/ports?add=1',
        '/patch/fern-left',
        '/patch-profiles/moving-lantern',
        '/patch-groups',
        '/patch-pixels/pond-wall',
        '/patch-sheet',
        '/universes/palm-house?slot=3',
        '/universes/palm-house?list=1',
        '/routes/doors',
        '/timeline/fern-song',
        '/timeline-edit/fern-song',
        '/timeline-codes/tape',
        '/surfaces/guide',
        '/surfaces-build/guide',
        '/surfaces-panels/lectern',
        '/routes-unanswered',
        '/routes-sheet',
        '/routes?add=1',
        '/scope',
        '/stand-ins',
        '/packets',
        '/show',
        '/history',
        '/people',
    ];

    /** Its rules for WCAG 2.1 AA, and its advice on headings, landmarks and tables. */
    private const AXE = <<<'JS'
        const done = arguments[arguments.length - 1];
        const tags = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice'];
        axe.run(document, { runOnly: tags, resultTypes: ['violations'] }).then(
            (result) => done(result.violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.html).slice(0, 2).join(' ')}`)),
            (error) => done([String(error)]),
        )
        JS;

    #[TestWith([1280, 800, 'night'])]
    #[TestWith([1280, 800, 'day'])]
    #[TestWith([768, 1024, 'night'])]
    #[TestWith([768, 1024, 'day'])]
    #[TestWith([390, 844, 'night'])]
    #[TestWith([390, 844, 'day'])]
    public function testNothingIsFoundAndNothingIsWiderThanTheScreen(int $width, int $height, string $theme): void
    {
        self::$chrome->size($width, $height);
        self::$chrome->driver->executeScript('localStorage.setItem("theme", arguments[0])', [$theme]);
        $axe = (string) file_get_contents(Background::root().'/node_modules/axe-core/axe.min.js');
        $found = [];
        foreach (self::PAGES as $page) {
            self::$chrome->driver->get(self::$demo->url($page));
            // The show is there when the strip has its ports.
            self::$chrome->find('header.strip .port');
            self::$chrome->find('main h1');
            self::$chrome->driver->executeScript($axe);
            foreach (self::$chrome->driver->executeAsyncScript(self::AXE) as $one) {
                $found[] = "{$page}: {$one}";
            }
            $found = [...$found, ...$this->tooWide($page)];
        }
        self::assertSame([], $found);
    }

    /** @return list<string> */
    private function tooWide(string $page): array
    {
        [$inner, $outer, $top] = self::$chrome->driver->executeScript(
            'const page = document.querySelector("#main > *"); return [page.scrollWidth, page.clientWidth, page.scrollTop]',
        );

        $isCut = self::$chrome->driver->executeScript(
            'const ports = document.querySelector("header.strip .ports"); return innerWidth > 900 && ports.scrollWidth > ports.clientWidth',
        );

        return [
            ...($isCut ? ["{$page}: ports are cut off in the strip"] : []),
            ...($inner > $outer ? ["{$page}: {$inner} pixels wide in {$outer}"] : []),
            ...($top > 0 ? ["{$page}: begins {$top} pixels below its top"] : []),
        ];
    }
}
