<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Tests\Support\Background;

/** A kind of fixture and one of that kind: named in the grid, tested by hand as a whole. */
final class PatchTest extends BrowserTestCase
{
    /** Each step stands on the one before: it is one fixture. */
    public function testAFixtureFromItsProfileToTheEndOfTheUniverse(): void
    {
        $this->aProfileAndAFixtureAtTheNextFreeAddress();
        $this->itsNameLiesOverItsSlotsAndItsParameterIsHeldAsAWhole();
        $this->sharedSlotsAreSaidAndAFixturePastTheEndIsRefused();
    }

    private function aProfileAndAFixtureAtTheNextFreeAddress(): void
    {
        $this->go('Patch');
        $this->sees('section[aria-label="Fern Gallery"]', 'next free slot 13');
        self::$chrome->press('Add a profile', '.page-head');
        $this->field('Name of the profile', 'Spot');
        self::$chrome->press('Add a parameter', 'form');
        self::$chrome->press('Add the profile', 'form');
        $this->sees('form [role=alert]', 'parameters/1/name: it is missing');
        self::$chrome->fill('form .parameter + .parameter input', 'pan');
        $takes = self::$chrome->driver->executeScript('return [...document.querySelectorAll("main label")].filter((one) => one.htmlFor && one.textContent.trim() === "Takes").at(-1).htmlFor');
        self::$chrome->find("[id=\"{$takes}\"]")->sendKeys(WebDriverKeys::ENTER);
        Background::until(static fn() => self::$chrome->driver->executeScript('const found = [...document.querySelectorAll(".v-overlay .v-list-item")].find((one) => one.textContent.includes("16 bit")); found?.click(); return found ? true : null'), 'The width of two slots');
        self::$chrome->press('Add the profile', 'form');
        $this->sees('section[aria-label="Profiles"]', 'Spot');
        $this->sees('section[aria-label="Profiles"]', '3 slots');
        self::$chrome->press('Add a fixture', '.page-head');
        $this->field('Name', 'Path spot');
        $this->choose('Profile', 'Spot');
        $this->choose('Universe', 'Fern Gallery');
        self::$chrome->press('Add the fixture', 'form');
        $this->sees('.row-button[aria-current="true"]', '13–15');
        $this->sees('aside.panel', '14–15');
    }

    private function itsNameLiesOverItsSlotsAndItsParameterIsHeldAsAWhole(): void
    {
        self::$chrome->press('Test it by hand', 'aside.panel');
        $this->sees('[data-slot="13"]', 'Path spot');
        $this->sees('[aria-label="Slot"]', 'Path spot: level');
        self::$chrome->find('[data-slot="15"]')->click();
        $this->sees('[aria-label="Slot"]', 'Path spot: pan slots 14 to 15, 16 bit');
        $this->field('Parameter at, per cent', '45');
        self::$chrome->press('Hold it', '.parameter');
        $this->sees('header.strip', '2 held');
        $this->untilScript('return [14, 15].map((slot) => document.querySelector(`[data-slot="${slot}"] .level`)?.textContent).join(" ")', '115 51');
        self::$chrome->press('Let go', '.parameter');
        $this->sees('header.strip', 'nothing held');
    }

    private function sharedSlotsAreSaidAndAFixturePastTheEndIsRefused(): void
    {
        $this->go('Patch');
        self::$chrome->press('Path spot', 'section[aria-label="Fern Gallery"]');
        self::$chrome->press('Change', 'aside.panel');
        $this->field('Address, 1 to 512', '511');
        self::$chrome->press('Save', 'form');
        $this->sees('form [role=alert]', 'would end at slot 513. It takes 3 slots: begin at 510 or below.');
        $this->field('Address, 1 to 512', '12');
        self::$chrome->press('Save', 'form');
        $this->sees('.row-button[aria-current="true"]', 'shares slots with Fern SR');
    }
}
