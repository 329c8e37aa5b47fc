<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

/** A panel of pixels is wired, shown, and checked with a dot against a wall that may be wired otherwise. */
final class PixelsTest extends BrowserTestCase
{
    public function testAZigZagPanelIsCheckedAgainstTheWallAndTheFaultIsFound(): void
    {
        $this->go('Patch');
        self::$chrome->press('Pixels', '.page-head');
        self::$chrome->press('Pond wall', '[aria-label="pixel maps"]');
        $this->sees('aside.panel', '240 pixels, 2 universes, 720 of 1,024 slots, GRB');
        $this->untilScript('return document.querySelectorAll("aside.panel [data-pixel]").length', 240);
        self::$chrome->fill('[aria-label="Pixel"]', '20');
        self::$chrome->find('aside.panel h2')->click();
        $this->sees('aside.panel .reads', 'column 20, row 12; Pond wall 1, slots 58 to 60');
        self::$chrome->press('On', '.dot');
        $this->sees('aside.panel', 'All pixels are held dark but number 21.');
        $this->sees('header.strip', '720 held');
        $this->isLit('19/10');
        self::$chrome->press('Wired straight', '[aria-label="Pond wall"]');
        $this->isLit('0/10');
        // What we say is wired otherwise: the dot is where we say it is.
        $this->change(fn() => $this->turn('Zig-zag'));
        self::$chrome->press('On', '.dot');
        $this->sees('aside.panel', 'All pixels are held dark but number 22.');
        $this->sees('aside.panel .reads', 'column 2, row 11');
        $this->isLit('1/10');
        $this->thePicture();
        self::$chrome->press('Let it go', '.dot');
        $this->sees('header.strip', 'nothing held');
        self::$chrome->driver->executeScript(
            'const colour = document.querySelector("aside.panel input[type=color]"); colour.value = "#ff8000"; colour.dispatchEvent(new Event("input", { bubbles: true }))',
        );
        $this->sees('header.strip', '720 held');
        $this->lampIs('5/5', '#ff8000');
        self::$chrome->press('Other colour order', '[aria-label="Pond wall"]');
        $this->lampIs('5/5', '#80ff00');
        self::$chrome->press('release', 'header.strip');
        $this->sees('header.strip', 'nothing held');
    }

    public function testOneIsBuiltWithTheUniversesThatItTakes(): void
    {
        $this->go('Patch');
        self::$chrome->press('Pixels', '.page-head');
        self::$chrome->press('Add a pixel map', '.page-head');
        $this->field('Name', 'Canopy net');
        $this->field('Columns', '22');
        $this->field('Rows', '31');
        $this->sees('form', '682 pixels, 5 universes, 2,046 of 2,560 slots');
        $this->turn('Split across universes');
        $this->sees('form', '682 pixels, 4 universes, 2,046 of 2,048 slots');
        $this->sees('form', 'It takes 4 universes: 3 more.');
        self::$chrome->press('Take Fern Gallery', 'form');
        self::$chrome->press('Add the pixel map', 'form');
        $this->sees('form', '"Canopy net" would share slot');
        $this->leave();
    }

    public function testAVirtualIntensityIsHeldAndLetGo(): void
    {
        $this->go('Patch');
        self::$chrome->press('Profiles', '.page-head');
        self::$chrome->press('Library', '.page-head');
        self::$chrome->find('[aria-label="Take RGB"]')->click();
        $this->sees('form', 'Change RGB');
        $this->go('Patch');
        self::$chrome->press('Add fixtures', '.page-head');
        $this->field('Name', 'Moss wash');
        $this->choose('Profile', 'RGB');
        $this->choose('Universe', 'Palm House');
        self::$chrome->press('Add the fixture', 'form');
        $this->sees('aside.panel h2', 'Moss wash');
        $this->sees('aside.panel .levels', 'virtual');
        self::$chrome->driver->executeScript(
            'const one = document.querySelector("[aria-label=\"intensity, held by hand\"]"); one.value = 25; one.dispatchEvent(new Event("input", { bubbles: true }))',
        );
        $this->sees('header.strip', '2 held');
        $this->sees('aside.panel .levels', '25 %');
        self::$chrome->press('Release', 'aside.panel .levels');
        $this->sees('header.strip', 'nothing held');
        $this->sees('aside.panel .levels', '100 %');
    }

    /** @param \Closure(): void $how */
    private function change(\Closure $how): void
    {
        $this->go('Patch');
        self::$chrome->press('Pixels', '.page-head');
        self::$chrome->press('Pond wall', '[aria-label="pixel maps"]');
        self::$chrome->press('Change', 'aside.panel');
        $how();
        self::$chrome->press('Save', 'form');
        $this->sees('aside.panel h2', 'Pond wall');
    }

    private function turn(string $label): void
    {
        self::$chrome->driver->executeScript(
            'const label = [...document.querySelectorAll("form .v-switch label")].find((one) => one.textContent.trim() === arguments[0]); label.click()',
            [$label],
        );
    }

    /** At the wall exactly one lamp is lit, and it is that one. */
    private function isLit(string $place): void
    {
        $this->go('Stand-ins');
        $this->untilScript(
            'return [...document.querySelectorAll("[aria-label=\"Pond wall\"] circle[data-place][fill]")].map((one) => one.dataset.place).join(" ")',
            $place,
        );
    }

    private function lampIs(string $place, string $colour): void
    {
        $this->go('Stand-ins');
        $this->untilScript(
            "return document.querySelector('[aria-label=\"Pond wall\"] circle[data-place=\"{$place}\"]')?.dataset.colour ?? ''",
            $colour,
        );
    }

    private function thePicture(): void
    {
        $this->go('Patch');
        self::$chrome->press('Pixels', '.page-head');
        self::$chrome->press('Pond wall', '[aria-label="pixel maps"]');
        $this->untilScript('return document.querySelector("aside.panel .lit")?.dataset.across ?? ""', '1');
    }
}
