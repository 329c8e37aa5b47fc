<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Core\Check\Network;
use NimbleJunction\Engine\Net\Adapters;

/** The first ten minutes: an empty show, a desk and dimmers, the two that do not talk, and the fault found. */
final class NewShowTest extends BrowserTestCase
{
    /** Each step stands on the one before: there is nothing in an empty show. */
    public function testTheFirstTenMinutes(): void
    {
        $this->anEmptyShowIsBegunAndCanBeTakenBack();
        $this->lookingAroundIsOfferedWhereNothingIsYet();
        $this->thePageOffersTheFirstStepAndTheFormMakesTheUniverseItNeeds();
        $this->anAddressInUseIsSaidAtThePort();
        $this->theFaultIsOnThePageWithoutAClickAndMendedInTheForm();
        $this->theDimmersHearUsAndALampLights();
    }

    private function anEmptyShowIsBegunAndCanBeTakenBack(): void
    {
        $this->go('Show');
        self::$chrome->press('Begin an empty show', '.page');
        $this->sees('.ask', 'Replace "Fernhall Glasshouse, Night Walk" by an empty show?');
        self::$chrome->press('Replace', '.ask');
        $this->sees('.page', '0 universes, 0 ports, 0 routes.');
        self::$chrome->find('main h1')->click();
        $this->key(WebDriverKeys::CONTROL.'z'.WebDriverKeys::NULL);
        $this->sees('.page', '6 universes, 14 ports, 12 routes.');
        self::$chrome->press('Begin an empty show', '.page');
        self::$chrome->press('Replace', '.ask');
        $this->sees('.page', '0 universes, 0 ports, 0 routes.');
    }

    /** Looking around is offered; the form says whom it would ask before anybody is asked. */
    private function lookingAroundIsOfferedWhereNothingIsYet(): void
    {
        $this->go('Ports');
        self::$chrome->press('Look for sACN senders', '[aria-label="Found on the network"]');
        $this->sees('form[aria-label="Port"] h2', 'New port');
        $this->untilScript(
            'return [...document.querySelectorAll("form[aria-label=Port] .v-switch")].filter((one) => one.textContent.trim() === "Multicast").map((one) => one.querySelector("input").checked).join()',
            'true',
        );
        self::$chrome->press('Cancel', 'form');
        self::$chrome->press('Look for Art-Net nodes', '[aria-label="Found on the network"]');
        $others = array_values(
            array_filter(Adapters::all(), static fn(array $one): bool => ! str_starts_with($one['address'], '127.')),
        );
        $asked = array_map(static fn(array $one): string => Network::broadcast($one['address'], $one['netmask']), $others);
        $this->untilScript(
            'return [...document.querySelectorAll("form label")].filter((one) => one.htmlFor && one.textContent.startsWith("Ask who is there")).map((one) => document.getElementById(one.htmlFor).value).join()',
            implode(', ', $asked),
        );
        self::$chrome->press('Cancel', 'form');
        $this->sees('.empty', 'No ports yet.');
    }

    private function thePageOffersTheFirstStepAndTheFormMakesTheUniverseItNeeds(): void
    {
        $this->go('Overview');
        $this->sees('.empty', 'This show has no ports yet.');
        self::$chrome->press('Add the first port', '.empty');
        self::$chrome->fill('form[aria-label="Port"] input[type=text]', 'Desk');
        self::$chrome->press('every adapter', 'form');
        self::$chrome->press('Make a new universe', 'form');
        $this->sees('form', 'number 1 on a desk that counts from 1');
        self::$chrome->press('Add the port', 'form');
        $this->sees('.row-button[aria-current="true"]', 'Desk');
        $this->sees('aside.panel', 'Universe 1: port-address, from 0');
    }

    /**
     * The stand-ins run on this machine, each at an address of its own; "every adapter" is shared with them, an address
     * is not.
     */
    private function anAddressInUseIsSaidAtThePort(): void
    {
        $this->sees('aside.panel', 'listens at 0.0.0.0:6454');
        $this->listenAt('127.77.0.11');
        $this->sees(
            'aside.panel',
            'UDP port 6454 at 127.77.0.11 is in use by php',
        );
        $this->listenAt('127.77.0.1');
        $this->sees('aside.panel', 'listens at 127.77.0.1:6454');
    }

    private function listenAt(string $address): void
    {
        $status = self::$chrome->driver->executeAsyncScript(
            'const done = arguments[1]; const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]+)/) ?? ["", ""])[1]); fetch("/api/show/ports/desk", { method: "PUT", headers: { "Content-Type": "application/json", Accept: "application/json", "X-XSRF-TOKEN": token }, body: arguments[0] }).then((answer) => done(answer.status))',
            [
                json_encode(
                    [
                        'name' => 'Desk',
                        'protocol' => 'art-net',
                        'receive' => ['address' => $address, 'feeds' => [['number' => 0, 'universe' => 'universe-1']]],
                    ],
                    JSON_THROW_ON_ERROR,
                ),
            ],
        );
        self::assertSame(200, $status);
    }

    /** The house desk sends port-addresses 1 and 2; this port listens to 0. */
    private function theFaultIsOnThePageWithoutAClickAndMendedInTheForm(): void
    {
        $this->go('Overview');
        $this->sees('.stray', 'Art-Net port-address 1 (0:0:1) arrives from 127.77.0.11, and no port listens to it.');
        self::$chrome->press('Open the port', '.stray');
        self::$chrome->press('Change', 'aside.panel');
        $id = self::$chrome->driver->executeScript(
            'return [...document.querySelectorAll("form label")].find((one) => one.htmlFor && one.textContent.trim() === "Port-address, from 0")?.htmlFor',
        );
        self::$chrome->fill("[id=\"{$id}\"]", '1');
        self::$chrome->press('Save', 'form');
        $this->sees('.row-button[aria-current="true"]', 'alive');
        $this->go('Overview');
        $this->sees('[aria-label="Universes"]', 'Desk sends it');
    }

    private function theDimmersHearUsAndALampLights(): void
    {
        $this->go('Ports');
        self::$chrome->press('Add a port', '.page-head');
        self::$chrome->fill('form[aria-label="Port"] input[type=text]', 'Dimmers');
        $this->choose('Protocol', 'DMX line');
        $this->field('To, one or more addresses', '127.77.0.13');
        $this->field('Its receive port (UDP)', '5120');
        self::$chrome->press('Add the port', 'form');
        $this->sees('.row-button[aria-current="true"]', 'Dimmers');
        $this->fader('House desk fader 3', 144);
        $this->lamp('Palm House dimmers', 3, 144);
    }
}
