<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use NimbleJunction\Tests\Support\Background;

/** The same work with a phone in the hand: 390 × 844, no keys, no pointer that hovers. */
final class PhoneTest extends BrowserTestCase
{
    private const BAR = 'nav.bottom';
    private const MORE = '#more-pages';
    private const SHEET = '.sheet.open';
    private const LEAST = 44;

    protected static function prepare(): void
    {
        self::$chrome->size(390, 844);
    }

    public function testEveryPageIsReachedAlongTheLowerEdgeAndItsTargetsFitAFinger(): void
    {
        foreach (['Ports', 'Patch', 'Universes', 'Routes', 'Overview'] as $page) {
            self::$chrome->press($page, self::BAR);
            $this->sees('nav.bottom .here', $page);
            $this->fingersFit($page);
        }
        foreach (['Scope', 'Packets', 'Stand-ins', 'Show', 'History'] as $page) {
            self::$chrome->press('More', self::BAR);
            self::$chrome->press($page, self::MORE);
            $this->sees('main h1', $page);
            $this->fingersFit($page);
        }
    }

    /** 768 × 1024: the rail is there, panels still come from below, and fingers fit. */
    public function testATabletHasTheRailAndRoomForFingers(): void
    {
        self::$chrome->size(768, 1024);
        try {
            foreach ([
                'Ports',
                'Patch',
                'Universes',
                'Routes',
                'Scope',
                'Packets',
                'Stand-ins',
                'Show',
                'History',
                'Overview',
            ] as $page) {
                $this->go($page);
                $this->sees('nav.rail .here', $page);
                $this->fingersFit("{$page} on a tablet");
            }
            $this->go('Routes');
            self::$chrome->press('Doors', '[aria-label="routes"]');
            $this->sees(self::SHEET, 'Doors');
            self::$chrome->press('Close', self::SHEET);
            $this->noSheet();
        } finally {
            self::$chrome->size(390, 844);
        }
    }

    public function testAPortComesUpFromBelowIsCheckedAndPutAway(): void
    {
        self::$chrome->press('Ports', self::BAR);
        self::assertSame([], self::$chrome->driver->findElements(WebDriverBy::cssSelector(self::SHEET)));
        self::$chrome->press('House desk', '[aria-label="ports"]');
        $this->sees(self::SHEET, 'House desk');
        self::$chrome->press('Check connection', self::SHEET);
        $this->sees(self::SHEET, 'Is the port open?');
        self::$chrome->press('Close', self::SHEET);
        $this->noSheet();
    }

    public function testASlotIsTouchedHeldAndReleased(): void
    {
        self::$chrome->press('Universes', self::BAR);
        $this->untilScript(
            'return getComputedStyle(document.querySelector(".grid") ?? document.body).getPropertyValue("--columns").trim()',
            '8',
        );
        self::$chrome->find('[data-slot="3"]')->click();
        $this->sees(self::SHEET, 'Slot 3');
        self::$chrome->press('Full', self::SHEET);
        $this->sees('header.strip', '1 held');
        self::$chrome->press('Release', self::SHEET);
        Background::until(
            static fn(): bool => ! str_contains(self::$chrome->find('header.strip')->getText(), 'held'),
            'Nothing being held',
        );
        self::$chrome->press('Close', self::SHEET);
        $this->noSheet();
    }

    public function testWhatIsHalfWrittenStaysUntilItsOwnButtonsEndIt(): void
    {
        self::$chrome->press('Routes', self::BAR);
        self::$chrome->press('Add a route', '.page-head');
        $this->field('Name', 'From the phone');
        self::assertStringNotContainsString('Close', self::$chrome->find('.sheet.open')->getText());
        $this->leave();
        $this->noSheet();
    }

    public function testTheTraceAndTheThemeAreInReach(): void
    {
        self::$chrome->press('Trace', '.drawer');
        $this->sees('.drawer', 'Pause');
        self::$chrome->press('Trace', '.drawer');
        self::$chrome->press('More', self::BAR);
        self::$chrome->press('Light theme', self::MORE);
        $this->sees(self::MORE, 'Dark theme');
        self::$chrome->press('Dark theme', self::MORE);
        self::$chrome->press('More', self::BAR);
    }

    /** The manifest says what a browser needs to offer installing it: name, start, display, icons of 192 and 512 pixels. */
    public function testItCanBeInstalled(): void
    {
        $link = self::$chrome->driver->executeScript('return document.querySelector("link[rel=manifest]").getAttribute("href")');
        $public = Background::root().'/public';
        $manifest = json_decode((string) file_get_contents($public.$link), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame('standalone', $manifest['display']);
        self::assertNotSame('', $manifest['name']);
        self::assertSame('/', $manifest['start_url']);
        $sizes = [];
        foreach ($manifest['icons'] as $icon) {
            if ($icon['type'] === 'image/png') {
                [$width, $height] = (array) getimagesize($public.$icon['src']);
                self::assertSame($icon['sizes'], "{$width}x{$height}");
                $sizes[] = $width;
            }
        }
        self::assertSame([192, 512], $sizes);
    }

    private function noSheet(): void
    {
        Background::until(
            static fn(): bool => self::$chrome->driver->findElements(WebDriverBy::cssSelector(self::SHEET)) === [],
            'The sheet going away',
        );
        $this->addToAssertionCount(1);
    }

    /** Whatever is pressed is 44 pixels high at least; what stands within a line of words is not meant. */
    private function fingersFit(string $page): void
    {
        if (str_contains($page, 'Stand-ins')) {
            self::$chrome->find('[aria-label="House desk"] button');
        }
        $small = self::$chrome->driver->executeScript(
            'return [...document.querySelectorAll("button, main a:not(p a, li a, dd a, .small a), select, input:not([type=checkbox], [type=radio], [type=range], [type=file])")]
                .filter((one) => one.checkVisibility() && one.getBoundingClientRect().height > 0 && one.getBoundingClientRect().height < arguments[0])
                .filter((one) => one.closest(".v-field") === null || one.closest(".v-field").getBoundingClientRect().height < 40)
                .map((one) => `${Math.round(one.getBoundingClientRect().height)}: ${one.outerHTML.slice(0, 120)}`)',
            [self::LEAST - 0.5],
        );
        self::assertSame([], $small, $page);
    }
}
