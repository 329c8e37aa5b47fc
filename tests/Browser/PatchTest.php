<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use App\Exchange\FixtureTypeFile;
use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Patch\Role;

/** A kind of fixture and some of that kind: built, patched, lit, found by walking; overlaps, switches, typed addresses. */
final class PatchTest extends BrowserTestCase
{
    /** Each step stands on the one before: it is one fixture. */
    public function testAFixtureFromItsProfileToTheEndOfTheUniverse(): void
    {
        $this->aProfileIsBuilt();
        $this->aFixtureAtTheNextFreeAddress();
        $this->itsNameLiesOverItsSlotsAndItsParameterIsHeldAsAWhole();
        $this->sharedSlotsAreRefusedUntilTheyAreMeant();
    }

    public function testEightAtOnceAreLitByWalkingAndMoved(): void
    {
        $this->go('Patch');
        self::$chrome->press('Add fixtures', '.page-head');
        $this->field('Name', 'Path 1');
        $this->choose('Profile', 'Moving lantern');
        $this->choose('Universe', 'Fern Gallery');
        self::$chrome->fill('form .several input', '8');
        $this->field('Every so many slots', '16');
        $this->field('Address', '3.101');
        $this->sees('form', 'Which one is meant?');
        self::$chrome->press('Fern Gallery, slot 101', 'form');
        $this->sees('form', '1125 counted through · 8.101 on a desk');
        self::$chrome->press('Add 8 fixtures', 'form');
        $this->sees('aside.panel h2', 'Path 1');
        $this->sees('[aria-label="fixtures"]', '213–218');
        $this->sees('[aria-label="Slots of Fern Gallery"]', 'Path 1');
        self::$chrome->find('aside.panel .why summary')->click();
        $this->sees('aside.panel .why', 'level is at 0.');
        self::$chrome->press('Light it', 'aside.panel');
        $this->sees('header.strip', '6 held');
        $this->sees('aside.panel .why', 'Nothing that is known here keeps it dark.');
        $this->sees('aside.panel .why', 'Fern Gallery is sent by Balcony node.');
        $this->sees('aside.panel', '100 %');
        self::$chrome->find('main h1')->click();
        $this->key('l');
        $this->sees('header.strip', 'nothing held');
        $this->key('l');
        $this->sees('header.strip', '6 held');
        self::$chrome->press('Let it go', 'aside.panel');
        $this->sees('header.strip', 'nothing held');
        self::$chrome->press('Step through', '.page-head');
        $this->sees('[aria-label="Step through"]', 'Path 1 is lit');
        $this->key(WebDriverKeys::ARROW_RIGHT);
        $this->sees('[aria-label="Step through"]', 'Path 2 is lit');
        $this->sees('header.strip', '6 held');
        $this->key(WebDriverKeys::ESCAPE);
        $this->sees('header.strip', 'nothing held');
        self::$chrome->press('Path 1', '[aria-label="fixtures"]');
        self::$chrome->find('[data-row="path-1"]')->sendKeys([WebDriverKeys::SHIFT, str_repeat(WebDriverKeys::ARROW_DOWN, 7)]);
        $this->sees('[aria-label="What is selected"]', '8 fixtures selected');
        self::$chrome->press('Move to…', '[aria-label="What is selected"]');
        self::$chrome->fill('[aria-label="To address"]', 'canopy/301');
        self::$chrome->press('Move 8', '[aria-label="What is selected"]');
        $this->sees('[aria-label="fixtures"]', '413–418');
        $this->undo('move 8 fixtures to other addresses');
        $this->undo('patch 8 "Path 1"');
    }

    public function testAGroupIsMadeHeldAndFanned(): void
    {
        $this->go('Patch');
        self::$chrome->press('Fern SL', '[aria-label="fixtures"]');
        self::$chrome->find('[data-row="fern-left"]')->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_DOWN]);
        self::$chrome->press('Make a group', '[aria-label="What is selected"]');
        self::$chrome->fill('[aria-label="Name of the group"]', 'Ferns');
        self::$chrome->press('Make it of 2', '[aria-label="What is selected"]');
        self::$chrome->press('Groups', '.page-head');
        self::$chrome->press('Ferns', '[aria-label="groups"]');
        $this->sees('aside.panel', 'Fern SL, Fern SR');
        self::$chrome->press('Fan', 'aside.panel .row');
        self::$chrome->press('Hold it so', 'aside.panel');
        $this->sees('header.strip', '4 held');
        $this->sees('aside.panel', 'mixed');
        self::$chrome->driver->executeScript(
            'const colour = document.querySelector("aside.panel input[type=color]"); colour.value = "#ffb347"; colour.dispatchEvent(new Event("input", { bubbles: true }))',
        );
        $this->sees('header.strip', '6 held');
        $this->sees('aside.panel', '24.7 %');
        self::$chrome->press('release', 'header.strip');
        $this->sees('header.strip', 'nothing held');
    }

    public function testAFixtureTypeComesInAndTheSheetSaysWhatToSet(): void
    {
        $this->go('Patch');
        self::$chrome->press('Profiles', '.page-head');
        self::$chrome->press('Library', '.page-head');
        $file = (string) tempnam(sys_get_temp_dir(), 'junction-gdtf').'.gdtf';
        file_put_contents(
            $file,
            FixtureTypeFile::bytes(new Profile(
                'moss',
                'Moss lamp',
                [new Parameter('level', role: Role::Dimmer), new Parameter('pan', 2, role: Role::Pan)],
            )),
        );
        try {
            self::$chrome->find('[aria-label="Library"] input[type=file]')->sendKeys($file);
            $this->sees('[aria-label="profiles"]', 'Moss lamp');
            $this->sees('form', 'Change Moss lamp');
        } finally {
            unlink($file);
            unlink(substr($file, 0, -5));
        }
        self::$chrome->press('Patch', '.page-head');
        self::$chrome->press('Sheets and files', '.page-head');
        self::$chrome->press('Patch sheet to print', '[aria-label="Sheets and files"]');
        $this->sees('main', 'Fern SR');
        $this->untilScript(
            'return [...document.querySelector(`[aria-label="Switches of 7"]`)?.children ?? []].map((one) => Number(one.classList.contains("on"))).join("")',
            '111000000',
        );
    }

    private function aProfileIsBuilt(): void
    {
        $this->go('Patch');
        $this->sees('[aria-label="fixtures"]', 'Fern Gallery, next free slot 13');
        self::$chrome->press('Profiles', '.page-head');
        self::$chrome->press('Add a profile', '.page-head');
        $this->field('Name', 'Spot');
        self::$chrome->press('Add a parameter', '[aria-label="Parameters"]');
        self::$chrome->press('Add the profile', 'form');
        $this->sees('form', 'it is missing');
        self::$chrome->fill('[aria-label="Name of parameter 2"]', 'pan');
        $this->select('[aria-label="Bits of parameter 2"]', '2');
        $this->select('[aria-label="What parameter 2 does"]', 'pan');
        $this->untilScript(
            'return document.querySelector("[aria-label=Parameters] .row:nth-of-type(3) .slots").textContent',
            '2–3',
        );
        self::$chrome->press('Add the profile', 'form');
        $this->sees('[aria-label="profiles"]', 'Spot');
        $this->sees('[aria-label="profiles"]', '3 slots');
        self::$chrome->press('Compare', '.page-head');
        $this->sees('[aria-label="Compare"]', 'They differ in');
        self::$chrome->press('Library', '.page-head');
        self::$chrome->find('[aria-label="Take RGBW"]')->click();
        $this->sees('[aria-label="profiles"]', 'RGBW');
        self::$chrome->press('Patch', '.page-head');
    }

    private function aFixtureAtTheNextFreeAddress(): void
    {
        self::$chrome->press('Add fixtures', '.page-head');
        $this->field('Name', 'Path spot');
        $this->choose('Profile', 'Spot');
        $this->choose('Universe', 'Fern Gallery');
        $this->untilScript('return document.querySelector("form .entry input").value', '13');
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

    private function sharedSlotsAreRefusedUntilTheyAreMeant(): void
    {
        $this->go('Patch');
        self::$chrome->press('Path spot', '[aria-label="fixtures"]');
        self::$chrome->press('Change', 'aside.panel');
        $this->field('Address', '511');
        self::$chrome->press('Save', 'form');
        $this->sees('form [role=alert]', 'would end at slot 513. It takes 3 slots: begin at 510 or below.');
        $this->field('Address', '12');
        self::$chrome->press('Save', 'form');
        $this->sees('form [role=alert]', '"Path spot" would share slot 12 with "Fern SR". 13 is the next free address.');
        $this->sees('form', 'Fern SR listens to some of these slots too.');
        // Switches: 8 and 4 are on for 12; 16 besides makes it 28.
        self::$chrome->find('form details summary')->click();
        self::$chrome->find('[aria-label="Switch 5, counts 16"]')->click();
        $this->untilScript('return document.querySelector("form .entry input").value', '28');
        $this->field('Address', '12');
        self::$chrome->find('form fieldset input[type=checkbox]')->click();
        self::$chrome->press('Save', 'form');
        $this->sees('.row-button[aria-current="true"]', 'shares on purpose');
        $this->sees('aside.panel', 'Shares slots with Fern SR, as it is meant to.');
    }
}
