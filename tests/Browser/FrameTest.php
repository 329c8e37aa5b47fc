<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Tests\Support\Background;

/** The frame of every page, and what a tired person does with it: keys, palette, paths, the usual faults. */
final class FrameTest extends BrowserTestCase
{
    public function testKeysGoToPagesAndThePaletteFindsAnything(): void
    {
        $this->go('Overview');
        // The name of the show comes with the show: until then there is nothing to click at.
        $this->sees('main h1', 'Fernhall Glasshouse');
        self::$chrome->find('main h1')->click();
        foreach ([
            '2' => 'Ports',
            '3' => 'Patch',
            '5' => 'Routes',
            '6' => 'Programme',
            '7' => 'Timeline',
            '8' => 'Surfaces',
            '0' => 'Scope',
            '1' => 'Fernhall Glasshouse',
        ] as $key => $title) {
            $this->key("g{$key}");
            $this->sees('main h1', $title);
        }
        // A digit alone changes no page: were it to, Ports would be there before the list of keys is.
        $this->key('2');
        $this->key('?');
        $this->sees('main h1', 'Fernhall Glasshouse');
        $this->sees('.v-overlay__content', 'release everything held by hand');
        $this->key(WebDriverKeys::ESCAPE);
        Background::until(
            static fn(): bool => self::$chrome->driver->findElements(WebDriverBy::cssSelector('.v-overlay--active')) === [],
            'The list of keys closing',
        );
        $this->key('/');
        self::$chrome->find('input[role=combobox]')->sendKeys('balcony');
        $this->sees('#found', 'Balcony node');
        self::$chrome->find('input[role=combobox]')->sendKeys(WebDriverKeys::ENTER);
        $this->sees('.row-button[aria-current="true"]', 'Balcony node');
        Background::until(
            static fn(): bool => self::$chrome->driver->findElements(WebDriverBy::cssSelector('.v-overlay--active')) === [],
            'The palette closing',
        );
    }

    public function testPointingAtAPortLightsItsWholePath(): void
    {
        $this->go('Overview');
        self::$chrome->driver->action()->moveToElement(self::$chrome->find('[data-node="in:guides-tablet"]'))->perform();
        Background::until(
            static fn(): bool => self::$chrome->driver->findElements(WebDriverBy::cssSelector('.dim[data-node="in:guest-desk"]')) !== [],
            'The guest desk dimming',
        );
        $lit = self::$chrome->driver->executeScript(
            'return [...document.querySelectorAll("[data-node]")].filter((one) => !one.closest(".dim")).map((one) => one.dataset.node)',
        );
        foreach ([
            'in:guides-tablet',
            'route:lantern-from-tablet',
            'universe:palm-house',
            'out:palm-dimmers',
            'out:balcony-node',
        ] as $node) {
            self::assertContains($node, $lit);
        }
        self::assertNotContains('universe:fern-gallery', $lit);
    }

    public function testARouteIsAddedReadAsASentenceAndSeenAtWork(): void
    {
        $this->go('Routes');
        self::$chrome->press('Add a route', '.page-head');
        $this->field('Name', 'Tablet to lamp 9');
        $this->field('OSC address', 'palm lantern');
        $this->field('Slot, 1 to 512', '9');
        self::$chrome->press('Add the route', 'form');
        $this->sees('form [role=alert]', 'An address begins with "/"');
        $this->field('OSC address', '/palm/lantern');
        $this->field('Maximum level, 0 to 255', '100');
        self::$chrome->press('Add the route', 'form');
        $this->sees(
            '.split',
            "When /palm/lantern arrives on Guide's tablet, set Doors, level (slot 9 of Palm House): its first argument, 0 to 1, becomes level 0 to 100.",
        );
        $this->fader("Guide's tablet fader", 1);
        $this->lamp('Palm House dimmers', 9, 100);
        $this->lamp('Palm House dimmers', 5, 255);
    }

    /** The second commonest fault: one side counts from 0. The overview says it without a click. */
    public function testAnOffByOneIsSaidAndMendedFromTheOverview(): void
    {
        $this->go('Ports');
        self::$chrome->press('Guest desk', '.list');
        self::$chrome->press('Change', 'aside.panel');
        $this->field('sACN universe, from 1', '2');
        self::$chrome->press('Save', 'form');
        $this->go('Overview');
        $this->sees('.stray', 'sACN universe 1 arrives from 127.77.0.12, and no port listens to it.');
        self::$chrome->press('Open the port', '.stray');
        $this->sees('aside.panel', 'Off by one?');
        $this->key(WebDriverKeys::CONTROL.'z'.WebDriverKeys::NULL);
        $this->go('Overview');
        $this->sees('[aria-label="Universes"]', 'House desk and Guest desk, merged: highest wins');
    }

    /** LTP: who moved last has it; the page says for how long. */
    public function testTheMergeRuleIsChangedForOneUniverse(): void
    {
        $this->fader('House desk fader 7', 200);
        $this->fader('Guest desk fader 7', 30);
        $this->lamp('Palm House dimmers', 7, 200);
        $this->go('Universes');
        self::$chrome->press('Change', '.page-head');
        $this->choose('Merge mode', 'LTP');
        self::$chrome->press('Save', 'form');
        $this->sees('.page-head', 'LTP');
        $this->fader('Guest desk fader 7', 31);
        $this->lamp('Palm House dimmers', 7, 31);
        $this->go('Universes');
        self::$chrome->find('[data-slot="7"]')->click();
        $this->sees('[aria-label="Slot"]', 'Guest desk: changed it last (LTP)');
    }

    public function testAUniverseFadesWhenItsLastSourceIsGone(): void
    {
        $this->fader('House desk fader 8', 240);
        $this->lamp('Palm House dimmers', 8, 240);
        $this->go('Universes');
        self::$chrome->press('Change', '.page-head');
        $this->choose('When all sources are lost', 'it fades to black');
        $this->field('Fade time (s)', '1.5');
        self::$chrome->press('Save', 'form');
        $this->go('Stand-ins');
        self::$chrome->press('Switch off properly', '[aria-label="Guest desk"]');
        self::$chrome->press('Pull the cable', '[aria-label="House desk"]');
        $this->lamp('Palm House dimmers', 8, 0, 20);
        $this->go('Overview');
        $this->sees('[aria-label="Universes"]', 'All sources are lost: fading to black over 1.5 s.');
        $this->go('Stand-ins');
        self::$chrome->press('Cable is out', '[aria-label="House desk"]');
        $this->lamp('Palm House dimmers', 8, 240);
    }

    public function testAWrongPasswordIsSaidAndTheThemeIsRemembered(): void
    {
        self::$chrome->press('Light', 'header.strip');
        self::$chrome->logout();
        self::$chrome->find('input[name=name]')->sendKeys('builder');
        self::$chrome->find('input[name=password]')->sendKeys('wrong-password');
        self::$chrome->find('button[type=submit]')->click();
        $this->sees('[role=alert]', 'Name or password is wrong.');
        self::$chrome->login(self::$demo, 'builder');
        $this->sees('header.strip', 'Dark');
    }
}
