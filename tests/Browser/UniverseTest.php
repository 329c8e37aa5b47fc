<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\LiveLink;

/**
 * A universe looked at closely: sources with their rates, a snapshot to compare with, holds on a run, shapes, swaps,
 * copies, a chosen source.
 */
final class UniverseTest extends BrowserTestCase
{
    public function testSourcesAreATableWithAddressesRatesAndGaps(): void
    {
        $this->go('Universes');
        $this->sees('[aria-label="Sources"]', 'Art-Net from 127.77.0.11');
        $this->sees('[aria-label="Sources"]', 'sACN from 127.77.0.12');
        $this->sees('[aria-label="Sources"]', 'a second, gap');
        $this->habit('Guest desk', 'Loses packets');
        $this->go('Universes');
        $this->sees('[aria-label="Sources"]', 'frames lost', 15);
        $this->go('Ports');
        self::$chrome->press('Guest desk', '.list');
        $this->sees('aside.panel', 'Packets lost');
        $this->sees('aside.panel .figures-table td.wrong', '%');
        $this->habit('Guest desk', 'Loses packets');
    }

    public function testAPictureStandsStillAndIsComparedWithAKeptOne(): void
    {
        $this->fader('House desk fader 3', 100);
        $this->lamp('Palm House dimmers', 3, 100);
        $this->go('Universes');
        $this->cell(3, '100');
        self::$chrome->press('Keep snapshot', '.over');
        $this->sees('.over', 'as the snapshot of');
        $this->fader('House desk fader 3', 140);
        $this->lamp('Palm House dimmers', 3, 140);
        $this->go('Universes');
        self::$chrome->press('Keep snapshot', '.over');
        self::$chrome->find('[data-slot="3"]')->click();
        $this->key('250'.WebDriverKeys::ENTER);
        $this->sees('.over', '1 slot differs from the snapshot of');
        $this->sees('[data-slot="3"]', 'was 140');
        self::$chrome->press('Freeze', '.over');
        self::$chrome->find('[data-slot="3"]')->click();
        $this->key(WebDriverKeys::DELETE);
        $this->sees('.over', 'as the snapshot of');
        $this->cell(3, '250');
        self::$chrome->press('Resume', '.over');
        $this->cell(3, '140');
        self::$chrome->press('Stop comparing', '.over');
    }

    public function testARunOfSlotsIsHeldForATimeAndEndsByItself(): void
    {
        $this->go('Universes');
        self::$chrome->find('[data-slot="5"]')->click();
        $this->field('Hold at', '66');
        $this->field('to slot', '8');
        $this->field('Hold time (s)', '6');
        self::$chrome->press('Hold', '[aria-label="Slot"]');
        $this->sees('header.strip', '4 held');
        $this->cell(8, '66');
        $this->sees('header.strip', 'nothing held', 15);
        $this->cell(8, '0');
    }

    public function testSlotsAreTypedOrDrawnAndOnlyWhatIsRaisedIsShown(): void
    {
        $this->go('Universes');
        $this->choose('Universe', 'Fern Gallery');
        $this->sees('h1', 'Fern Gallery');
        $type = function (string $text): void {
            self::$chrome->fill('.selection input', $text);
        };
        $type('1-600');
        $this->sees('.selection', '1-600 is no run of slots: use 1 to 512, the lower one first.');
        $type('301-312 + 320 @ 50 %');
        $this->sees('.selection', 'Slots 301–312, 320 (13 slots) at 127, 50 %');
        $this->key(WebDriverKeys::ENTER);
        $this->sees('header.strip', '13 held');
        self::$chrome->press('Raised only', '.selection');
        $shown = 'return String([...document.querySelectorAll(".grid .cell")].filter((one) => one.offsetParent !== null).map((one) => one.dataset.slot).filter((slot) => slot > 300))';
        $this->untilScript($shown, '301,302,303,304,305,306,307,308,309,310,311,312,320');
        self::$chrome->press('All slots', '.selection');
        $type('310');
        $this->key(WebDriverKeys::ENTER);
        $this->sees('[aria-label="Slot"] h2', 'Slot 310');
        self::$chrome->press('Next raised', '.selection');
        self::$chrome->press('Next raised', '.selection');
        self::$chrome->press('Next raised', '.selection');
        $this->sees('[aria-label="Slot"] h2', 'Slot 320');
        $mouse = static fn(string $type, int $slot, bool $shift): mixed => self::$chrome->driver->executeScript(
            'document.querySelector(`[data-slot="${arguments[1]}"]`).dispatchEvent(new MouseEvent(arguments[0], { bubbles: true, shiftKey: arguments[2] }))',
            [$type, $slot, $shift],
        );
        $mouse('mousedown', 330, false);
        $mouse('mouseup', 330, false);
        $mouse('mousedown', 340, true);
        $this->untilScript('return document.querySelector(".selection input").value', '330-340 @ ');
        $this->untilScript('return String(document.querySelectorAll(".grid .picked").length)', '11');
        $type('100-200 @ 10');
        $this->key(WebDriverKeys::ENTER);
        $this->sees('.selection .asks', 'Hold 101 slots at 10?');
        self::$chrome->press('Cancel', '.selection .asks');
        $this->sees('header.strip', '13 held');
        $type('');
        self::$chrome->press('13 held', 'header.strip');
        $this->sees('header.strip', 'nothing held');
    }

    public function testManySlotsAreHeldOnlyWhenThatIsMeant(): void
    {
        $this->go('Universes');
        self::$chrome->find('[data-slot="101"]')->click();
        $this->field('Hold at', '20');
        $this->field('to slot', '133');
        self::$chrome->press('Hold', '[aria-label="Slot"] form');
        $this->sees('[aria-label="Slot"] .asks', 'Hold 33 slots at 20?');
        self::$chrome->press('Cancel', '.asks');
        $this->sees('header.strip', 'nothing held');
        $this->field('Hold at', '20');
        self::$chrome->press('Hold', '[aria-label="Slot"] form');
        self::$chrome->press('Hold them', '.asks');
        $this->sees('header.strip', '33 held');
        self::$chrome->press('held: release', 'header.strip');
        $this->sees('header.strip', 'nothing held');
    }

    public function testWhatOthersHoldIsReleasedOnlyWhenThatIsMeant(): void
    {
        putenv('APP_KEY='.self::$demo->environment()['APP_KEY']);
        $hold = ['do' => 'hold', 'universe' => 'palm-house', 'slot' => 40, 'level' => 99, 'seconds' => 60];
        $operator = new LiveLink(self::$demo->port + 1, Role::Operator, [$hold], 60);
        try {
            $this->sees('header.strip', '1 held');
            $this->go('Universes');
            self::$chrome->find('[data-slot="41"]')->click();
            $this->key('88'.WebDriverKeys::ENTER);
            $this->sees('header.strip', '2 held');
            self::$chrome->press('held: release', 'header.strip');
            $this->sees('[aria-label="Release"]', '1 slot is held by somebody else');
            self::$chrome->press('Release mine', '[aria-label="Release"]');
            $this->sees('header.strip', '1 held');
            $this->cell(40, '99');
            self::$chrome->press('held: release', 'header.strip');
            self::$chrome->press('Release all', '[aria-label="Release"]');
            $this->sees('header.strip', 'nothing held');
        } finally {
            $operator->stop();
        }
    }

    public function testSlotsAreShapedAndSwappedOnTheWayOut(): void
    {
        $this->fader('House desk fader 1', 200);
        $this->fader('House desk fader 2', 10);
        $this->lamp('Palm House dimmers', 1, 200);
        $this->go('Universes');
        self::$chrome->press('Change', '.page-head');
        self::$chrome->press('Add', '[aria-label="Swapped slots"]');
        $this->field('With slot', '2');
        self::$chrome->press('Add', '[aria-label="Output curves and limits"]');
        $this->field('From slot', '3');
        $this->field('To slot', '3');
        $this->field('Maximum', '90');
        self::$chrome->press('Save', 'form');
        $this->lamp('Palm House dimmers', 1, 10);
        $this->lamp('Palm House dimmers', 2, 200);
        $this->lamp('Palm House dimmers', 3, 90);
        self::$chrome->find('main h1')->click();
        $this->key(WebDriverKeys::CONTROL.'z'.WebDriverKeys::NULL);
        $this->lamp('Palm House dimmers', 1, 200);
    }

    public function testACopyIsLaidDownElsewhereAndAWrongOneIsRefused(): void
    {
        $this->go('Universes');
        $this->sees(
            '[aria-label="Copies"]',
            'Copies slot 5 of Palm House to slots 101–106 of Fern Gallery, 8 times, up to slot 106.',
        );
        self::$chrome->press('Add a copy', '[aria-label="Copies"]');
        $this->field('Name', 'Row of four');
        $this->field('From slot', '1');
        $this->field('Number of slots', '2');
        $this->field('To slot', '400');
        $this->field('Repeat (times)', '2');
        $this->choose('To universe', 'Lily Pond');
        self::$chrome->press('Add the copy', 'form[aria-label="Copy"]');
        $this->sees('[aria-label="Copies"]', 'Copies slots 1–2 of Palm House to slots 400–403 of Lily Pond, 2 times.');
        $this->choose('Universe', 'Lily Pond');
        $this->cell(402, '200');
        self::$chrome->press('Change', '[aria-label="Copies"]');
        $this->choose('To universe', 'Palm House');
        self::$chrome->press('Save', 'form[aria-label="Copy"]');
        $this->sees('[aria-label="Copies"] [role=alert]', 'makes a circle');
        $this->leave();
    }

    public function testOneChosenSourceLeadsAndTheOthersAreShown(): void
    {
        $this->go('Universes');
        self::$chrome->press('Change', '.page-head');
        $this->choose('Merge mode', 'Only the sources of one chosen port');
        $this->choose('Chosen port', 'Guest desk');
        self::$chrome->press('Save', 'form');
        $this->sees('.page-head', 'only Guest desk');
        $this->fader('Guest desk fader 1', 17);
        $this->lamp('Palm House dimmers', 1, 17);
        $this->go('Universes');
        $this->sees('[aria-label="Sources"]', 'outranked');
    }

    private function cell(int $slot, string $level): void
    {
        $this->untilScript("return document.querySelector('[data-slot=\"{$slot}\"] .level')?.textContent", $level);
    }

    private function habit(string $device, string $habit): void
    {
        $this->go('Stand-ins');
        self::$chrome->press($habit, "[aria-label=\"{$device}\"]");
    }
}
