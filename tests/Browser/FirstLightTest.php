<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Tests\Support\Background;

/** Two desks, one rig, from end to end: the walk of the first evening, through real pages and real packets. */
final class FirstLightTest extends BrowserTestCase
{
    /** Each step stands on the one before, as in an evening. */
    public function testTheWalkOfTheFirstEvening(): void
    {
        $this->bothDesksAreSeenToArrive();
        $this->theHighestLeavesToTheWireAndToTheNetwork();
        $this->aHigherPriorityWinsAndThePageSaysWhy();
        $this->theTabletDrivesALampAndItsFaderFollowsTheDesk();
        $this->aSlotIsHeldByHandWithTheKeyboardAndLetGoWithOneKey();
        $this->brokenPacketsAreRefusedWithTheReason();
        $this->aCableIsPulledAndTheOtherDeskCarriesOn();
        $this->aKilledEngineIsBackWithItsHoldsAndThePageComesBackByItself();
    }

    private function bothDesksAreSeenToArrive(): void
    {
        $this->go('Overview');
        $this->sees('[aria-label="Ports that receive"]', '512 slots of sACN universe 1, priority 100, from 127.77.0.12');
        $this->sees('[aria-label="Ports that receive"]', 'Art-Net port-address');
        $this->sees('[aria-label="Universes"]', 'House desk and Guest desk, merged: highest wins');
        $this->sees('header.strip', 'Engine alive');
    }

    private function theHighestLeavesToTheWireAndToTheNetwork(): void
    {
        $this->fader('House desk fader 1', 200);
        $this->fader('Guest desk fader 1', 120);
        $this->fader('Guest desk fader 2', 90);
        $this->lamp('Palm House dimmers', 1, 200);
        $this->lamp('Palm House dimmers', 2, 90);
        $this->lamp('Balcony node', 1, 200);
        $this->go('Universes');
        $this->sees('[aria-label="Slot"]', 'House desk: highest of 2 (HTP), the next one sends 120.');
        $this->sees('[data-slot="1"]', 'A');
        $this->sees('[data-slot="2"]', 'B');
        self::$chrome->press('Show its levels', '[aria-label="Sources"]');
        $this->sees('.over .whose', 'What House desk sends');
        $this->sees('[data-slot="2"]', '0');
        self::$chrome->press('Back', '[aria-label="Sources"]');
        self::$chrome->press('0–255', 'header.strip');
        $this->sees('[data-slot="1"]', '78');
        self::$chrome->press('per cent', 'header.strip');
        $this->sees('[data-slot="1"]', 'C8');
        self::$chrome->press('hex', 'header.strip');
    }

    private function aHigherPriorityWinsAndThePageSaysWhy(): void
    {
        $this->go('Stand-ins');
        self::$chrome->fill('[aria-label="Guest desk"] input[type=number]', '150');
        self::$chrome->press('Set', '[aria-label="Guest desk"]');
        $this->lamp('Palm House dimmers', 1, 120);
        $this->go('Universes');
        $this->sees('[aria-label="Slot"]', 'Guest desk: priority 150 is above 100.');
        $this->sees('[aria-label="Sources"]', 'outranked');
        $this->openTrace();
        $this->sees('section.drawer', 'Palm House is now led by Guest desk (priority 150)');
        $this->go('Stand-ins');
        self::$chrome->fill('[aria-label="Guest desk"] input[type=number]', '100');
        self::$chrome->press('Set', '[aria-label="Guest desk"]');
        $this->lamp('Palm House dimmers', 1, 200);
    }

    private function theTabletDrivesALampAndItsFaderFollowsTheDesk(): void
    {
        $this->fader("Guide's tablet fader", 0.5);
        $this->lamp('Palm House dimmers', 5, 128);
        $this->openTrace();
        $this->sees('section.drawer', 'heard › decoded › matched › changed › sent › sent');
        $this->fader('House desk fader 5', 255);
        $this->lamp('Palm House dimmers', 5, 255);
        $this->sees("[aria-label=\"Guide's tablet\"]", '1.000');
        self::$chrome->press("Palm House slot 5 is 255: Guide's tablet is told", '.drawer');
        $this->sees('.hops', "Guide's tablet sent /palm/lantern 1 to 127.77.0.15:9000");
        $this->sees('.hops', '2F 70 61 6C 6D');
    }

    private function aSlotIsHeldByHandWithTheKeyboardAndLetGoWithOneKey(): void
    {
        $this->go('Universes');
        self::$chrome->find('[data-slot="1"]')->click();
        $this->key(str_repeat(WebDriverKeys::ARROW_RIGHT, 11));
        $this->sees('[aria-label="Slot"]', 'Slot 12');
        $this->key('231'.WebDriverKeys::ENTER);
        $this->sees('header.strip', '1 held');
        $this->sees('[data-slot="12"]', 'H');
        $this->lamp('Palm House dimmers', 12, 231);
        self::$chrome->find('h1')->click();
        $this->key('x');
        $this->sees('header.strip', 'nothing held');
        $this->lamp('Palm House dimmers', 12, 0);
    }

    private function brokenPacketsAreRefusedWithTheReason(): void
    {
        $this->go('Stand-ins');
        self::$chrome->press('Send broken packets', '[aria-label="House desk"]');
        $this->go('Ports');
        self::$chrome->press('House desk', '.page');
        $this->sees('aside.panel', 'packets refused');
        $this->sees('aside.panel', 'operation code 0xEEEE is not one of Art-Net 4');
        $this->openTrace();
        $this->sees('section.drawer', 'House desk refused a packet from 127.77.0.11');
        $this->sees('header.strip', 'Engine alive');
    }

    private function aCableIsPulledAndTheOtherDeskCarriesOn(): void
    {
        $this->go('Stand-ins');
        self::$chrome->press('Pull the cable', '[aria-label="House desk"]');
        $this->go('Ports');
        $this->sees('.page', 'Lost: last heard', 14);
        $this->lamp('Palm House dimmers', 1, 120);
        $this->lamp('Palm House dimmers', 2, 90);
        $this->openTrace();
        $this->sees('section.drawer', 'Lost source for Palm House: House desk');
        $this->go('Stand-ins');
        self::$chrome->press('Cable is out', '[aria-label="House desk"]');
        $this->lamp('Palm House dimmers', 1, 200);
    }

    /** Lamps, holds and the page itself after the engine is killed as hard as can be. */
    private function aKilledEngineIsBackWithItsHoldsAndThePageComesBackByItself(): void
    {
        $this->go('Universes');
        self::$chrome->find('[data-slot="9"]')->click();
        $this->key('44'.WebDriverKeys::ENTER);
        $this->sees('header.strip', '1 held');
        $pid = $this->enginePid();
        posix_kill($pid, SIGKILL);
        Background::until(fn(): bool => ! \in_array($this->enginePid(), [0, $pid], true), 'A new engine', 5);
        $this->lamp('Palm House dimmers', 9, 44);
        $this->lamp('Palm House dimmers', 1, 200);
        $this->sees('header.strip', 'Engine alive');
        $this->sees('header.strip', '1 held');
        self::$chrome->press('held: release', 'header.strip');
        $this->lamp('Palm House dimmers', 9, 0);
    }

    private function openTrace(): void
    {
        $handle = self::$chrome->find('button.handle');
        if ($handle->getAttribute('aria-expanded') !== 'true') {
            $handle->click();
        }
    }
}
