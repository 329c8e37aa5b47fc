<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Tests\Support\Background;

/** Forms in busy hands: nothing typed is dropped, an address is learned instead of typed, and the palette finds what one half remembers. */
final class FormsTest extends BrowserTestCase
{
    private const FORM = 'form[aria-label="Port"]';
    private const ASKS = '.v-overlay--active .leave';

    public function testAHalfFilledFormIsLeftByAskingOnly(): void
    {
        $this->go('Ports');
        self::$chrome->press('Add a port', '.page-head');
        $this->field('Name', 'Attic console');
        self::$chrome->press('Guest desk', '[aria-label="ports"]');
        $this->sees(self::ASKS, 'Leave "New port"?');
        self::$chrome->press('Keep writing', self::ASKS);
        $this->noQuestion();
        $this->untilScript('return document.querySelector("form[aria-label=Port] input[type=text]").value', 'Attic console');
        $this->choose('Protocol', 'OSC');
        $this->untilScript(
            'return document.querySelector("form[aria-label=Port]").textContent.includes("Our receive port (UDP)")',
            true,
        );
        $this->field('Our receive port (UDP)', '8765');
        $this->choose('Protocol', 'sACN');
        $this->sees(self::FORM, 'Multicast');
        $this->choose('Protocol', 'OSC');
        $this->untilScript(
            'return [...document.querySelectorAll("form[aria-label=Port] input")].some((one) => one.value === "8765")',
            true,
        );
        self::$chrome->find(self::FORM.' input[type=text]')->sendKeys(WebDriverKeys::ESCAPE);
        self::$chrome->press('Leave without saving', self::ASKS);
        $this->sees('aside.panel', 'House desk');
        $this->noQuestion();
    }

    /** The answer of a save is held back in the page, so that the order of things is sure. */
    public function testWhoeverLeavesAFormWhileItIsBeingSavedIsNotAskedAndGetsThere(): void
    {
        $this->go('Programme');
        self::$chrome->driver->executeScript('const real = window.fetch;
            window.held = [];
            window.fetch = async (...all) => {
                const answer = await real(...all);
                if (all[1]?.method === "POST") await new Promise((go) => window.held.push(go));
                return answer;
            };
            window.unhold = () => { window.fetch = real; window.held.forEach((go) => go()); };');
        self::$chrome->press('Add a look', '.page-head');
        $this->field('Name', 'Slow line');
        self::$chrome->press('Add the look', 'form');
        $this->untilScript('return window.held.length', 1);
        self::$chrome->press('Routes', 'nav');
        // Two pictures later nothing was asked, and the form is there as long as nobody knows whether it is stored.
        $asked = self::$chrome->driver->executeAsyncScript('const done = arguments[0];
            requestAnimationFrame(() => requestAnimationFrame(() => done(document.querySelector(".v-overlay--active") !== null)));');
        self::assertFalse($asked);
        self::$chrome->driver->executeScript('window.unhold()');
        $this->untilScript('return location.pathname', '/routes');
        $this->noQuestion();
        $this->undo('add look "Slow line"');
    }

    public function testSaveIsAlwaysInSightAndANewPortHasWhatWorksAtOnce(): void
    {
        $this->go('Ports');
        self::$chrome->press('Add a port', '.page-head');
        $this->untilScript(
            'const button = [...document.querySelectorAll("form[aria-label=Port] button")].find((one) => one.textContent.includes("Add the port"));
            const box = button?.getBoundingClientRect();
            return box !== undefined && box.top > 0 && box.bottom <= innerHeight && document.elementFromPoint(box.left + 5, box.top + 5)?.closest("button") === button',
            true,
        );
        $this->field('Name', 'Attic line');
        $this->choose('Protocol', 'DMX line');
        $this->sees(self::FORM, 'Its receive port (UDP)');
        $this->choose('Protocol', 'Art-Net');
        self::$chrome->press('Add the port', 'form');
        $this->sees('aside.panel', 'Attic line');
        $this->sees('aside.panel', 'Palm House');
        self::assertStringNotContainsString('cannot be', self::$chrome->find('aside.panel')->getText());
        $this->undo('add port "Attic line"');
    }

    public function testAnAddressIsLearned(): void
    {
        $this->fader("Guide's tablet fader", 0.3);
        $this->go('Routes');
        self::$chrome->press('Add a route', '.page-head');
        $this->sees('form .learn', 'Learn');
        self::$chrome->press('Learn', 'form .learn');
        // What was moved a moment before is there already.
        $this->sees('form .learn', '/palm/lantern');
        self::$chrome->press('/palm/lantern', 'form .learn');
        $this->untilScript(
            'return [...document.querySelectorAll("form input")].filter((one) => one.value === "/palm/lantern").length',
            2,
        );
        $this->leave();
    }

    public function testThePaletteFindsNumbersAddressesPathsSlotsAndActions(): void
    {
        foreach ([
            '127.77.0.14' => 'Balcony node',
            'universe 7' => 'Palm House',
            '/palm/lantern' => "Guide's fader to the lantern",
            'canopy 8' => 'Slot 8 of Canopy',
            'export' => 'Export the show',
            'stop sending tablet' => "Stop sending: Guide's tablet",
            'a' => 'more: write more of it',
        ] as $text => $found) {
            $this->palette((string) $text);
            $this->sees('.v-overlay--active', $found);
            $this->key(WebDriverKeys::ESCAPE);
            $this->noQuestion();
        }
        $this->palette('canopy 8');
        $this->sees('#found', 'Slot 8 of Canopy');
        $this->key(WebDriverKeys::ENTER);
        $this->sees('[aria-label="Slot"]', 'Slot 8');
        $this->palette('light theme');
        $this->sees('#found', 'Light theme');
        $this->key(WebDriverKeys::ENTER);
        $this->untilScript('return document.querySelector(".v-theme--day") !== null', true);
    }

    public function testALinkToSomethingThatIsGoneSaysSoAndOffersWhatIsNear(): void
    {
        self::$chrome->driver->get(self::$demo->url('/routes/lantern-of-before'));
        $this->sees('main .gone', 'There is no route "lantern-of-before" in this show');
        self::$chrome->press("Guide's fader to the lantern", 'main .gone');
        $this->sees('.row-button[aria-current="true"]', "Guide's fader to the lantern");
        $this->untilScript('return document.querySelector("main .gone") === null', true);
    }

    public function testWhatIsDeletedIsOneButtonAway(): void
    {
        $this->go('Routes');
        self::$chrome->press('Doors', '[aria-label="routes"]');
        self::$chrome->press('Delete', 'aside[aria-label="Route"]');
        $this->sees('.notice', 'Deleted: "Doors".');
        self::$chrome->press('Undo', '.notice');
        $this->sees('.notice', 'Undone: delete route "doors"');
        $this->sees('[aria-label="routes"]', 'Doors');
    }

    private function palette(string $text): void
    {
        $this->noQuestion();
        $this->key(WebDriverKeys::CONTROL.'k'.WebDriverKeys::NULL);
        self::$chrome->find('.v-overlay--active input[role=combobox]')->sendKeys($text);
    }

    private function noQuestion(): void
    {
        Background::until(
            static fn(): bool => self::$chrome->driver->findElements(WebDriverBy::cssSelector('.v-overlay--active')) === [],
            'What lies over the page going away',
        );
        $this->addToAssertionCount(1);
    }
}
