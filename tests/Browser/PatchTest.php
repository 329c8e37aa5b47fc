<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

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
        $this->sees('[aria-label="fixtures"]', 'Fern Gallery, next free slot 13');
        self::$chrome->press('Add a profile', '.page-head');
        $this->field('Name', 'Spot');
        self::$chrome->press('Add', '[aria-label="Parameters"]');
        self::$chrome->press('Add the profile', 'form');
        $this->sees('form', 'it is missing');
        self::$chrome->fill('[aria-label="Parameters"] .row + .row .cells > :nth-child(1) input', 'pan');
        self::$chrome->fill('[aria-label="Parameters"] .row + .row .cells > :nth-child(2) input', '2');
        $this->sees('form', "Slots from the fixture's address: 1: level, 2 to 3: pan");
        self::$chrome->press('Add the profile', 'form');
        $this->sees('[aria-label="profiles"]', 'Spot');
        $this->sees('[aria-label="profiles"]', '3 slots');
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
        $this->untilScript(
            'return [14, 15].map((slot) => document.querySelector(`[data-slot="${slot}"] .level`)?.textContent).join(" ")',
            '115 51',
        );
        self::$chrome->press('Release', '.parameter');
        $this->sees('header.strip', 'nothing held');
    }

    private function sharedSlotsAreSaidAndAFixturePastTheEndIsRefused(): void
    {
        $this->go('Patch');
        self::$chrome->press('Path spot', '[aria-label="fixtures"]');
        self::$chrome->press('Change', 'aside.panel');
        $this->field('Address, 1 to 512', '511');
        self::$chrome->press('Save', 'form');
        $this->sees('form [role=alert]', 'would end at slot 513. It takes 3 slots: begin at 510 or below.');
        $this->field('Address, 1 to 512', '12');
        self::$chrome->press('Save', 'form');
        $this->sees('.row-button[aria-current="true"]', 'shares slots with Fern SR');
    }
}
