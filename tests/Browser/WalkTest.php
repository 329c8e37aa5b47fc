<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Engine\Net\UdpSocket;
use NimbleJunction\Tests\Support\Background;

/** The walk of the README, word by word: each step stands there as it stands here, and does what it says. */
final class WalkTest extends BrowserTestCase
{
    private const STEPS = [
        'logsIn' => '`bin/demo`, open the address, log in as `builder` with the password that is printed.',
        'seesBothDesks' => 'The overview shows both desks arriving, Palm House merging them, and its dimmers hearing the result.',
        'raisesAFader' => '*Stand-ins*: raise fader 1 of the house desk. Lamp 1 of the dimmers lights, and of the balcony node too.',
        'raisesItHigher' => 'Raise fader 1 of the guest desk higher: the highest wins. *Universes* says which desk has each slot, and why.',
        'givesPriority' => '*Stand-ins*: give the guest desk priority 150. It now has every slot, also those where it sends less.',
        'movesTheTablet' => 'Move the guide\'s tablet: slot 5 follows. Move house desk fader 5: the tablet\'s fader follows.',
        'opensTheTrace' => 'Press `T` for the trace and open the tablet\'s message: heard, decoded, matched, changed, sent, with the bytes.',
        'holdsASlot' => '*Universes*: choose slot 12, type `255`, Enter. You hold it by hand, above all desks, until you press `X`.',
        'pullsACable' => '*Stand-ins*: pull the house desk\'s cable. The guest desk carries on; *Ports* says what was lost and when.',
        'readsTheOtherEnd' => '*Ports*, Palm House dimmers: what the other end needs, ready to copy. Beside it, *Found on the network*: who answers polls and says that it is there; one click makes a port of a find.',
        'mendsSwappedPorts' => '*Stand-ins*, guide\'s tablet: swap its ports, move its fader. *Ports*, guide\'s tablet, *Check connection* finds it, and one button mends it.',
        'playsTheOthers' => '*Stand-ins*: next slide, and lamp 9 flashes on its note; the song fader opens a layer on the roof; lectern button 1 lights the laser. Hold canopy slot 8 by hand: the lectern\'s first fader moves.',
        'runsTheProgramme' => '*Programme*, *Cue lists*, Night Walk: `Go 1` fades the Palm House up. *Live*: what runs and what is next; the grand master, and *Blackout*, take all light and nothing else.',
        'usesASurface' => '*Surfaces*, Guide: open it, or scan its code with a phone and type 2604. Hold *Go on*: the next cue goes. Press *Moss*: the fader of the Fern Gallery follows. *Build* shows how it is made.',
        'watchesAWave' => '*Scope*: watch slot 7 of Palm House while the house desk plays a slow wave and *jitters*.',
    ];

    public function testTheWalkOfTheReadme(): void
    {
        self::assertSame(array_values(self::STEPS), $this->stepsOfTheReadme());
        foreach (array_keys(self::STEPS) as $step) {
            $this->{$step}();
        }
    }

    /** @return list<string> */
    private function stepsOfTheReadme(): array
    {
        $readme = (string) file_get_contents(Background::root().'/README.md');
        preg_match('/## A first walk\n\n(.*?)\n\n/s', $readme, $walk);
        $steps = preg_split('/^\d+\. /m', preg_replace('/\s*\n +/', ' ', $walk[1] ?? '') ?? '') ?: [];

        return array_values(array_filter(array_map(trim(...), $steps)));
    }

    private function logsIn(): void
    {
        self::$chrome->logout();
        self::$chrome->find('input[name=name]')->sendKeys('builder');
        $this->untilScript(
            'const box = document.querySelector("main form").getBoundingClientRect(); return Math.abs(box.left + box.width / 2 - innerWidth / 2) < 2 && Math.abs(box.top + box.height / 2 - innerHeight / 2) < 2',
            true,
        );
        self::$chrome->find('input[name=password]')->sendKeys('night-walk');
        self::$chrome->press('Log in', 'form');
        $this->sees('main h1', 'Fernhall Glasshouse');
    }

    private function seesBothDesks(): void
    {
        $this->sees('[aria-label="Ports that receive"] [data-node="in:house-desk"]', 'alive');
        $this->sees('[aria-label="Ports that receive"] [data-node="in:guest-desk"]', 'alive');
        $this->sees('[data-node="universe:palm-house"]', 'House desk and Guest desk, merged: highest wins');
        $this->sees('[data-node="out:palm-dimmers"]', 'alive');
    }

    private function raisesAFader(): void
    {
        $this->fader('House desk fader 1', 150);
        $this->fader('House desk fader 2', 80);
        $this->lamp('Palm House dimmers', 1, 150);
        $this->lamp('Balcony node', 1, 150);
    }

    private function raisesItHigher(): void
    {
        $this->fader('Guest desk fader 1', 220);
        $this->fader('Guest desk fader 2', 30);
        $this->lamp('Palm House dimmers', 1, 220);
        $this->go('Universes');
        self::$chrome->find('[data-slot="1"]')->click();
        $this->sees('[aria-label="Slot"]', 'Guest desk: highest of 2 (HTP), the next one sends 150.');
        $this->sees('[data-slot="2"]', 'A');
    }

    private function givesPriority(): void
    {
        $this->go('Stand-ins');
        self::$chrome->fill('[aria-label="Guest desk"] input[type=number]', '150');
        self::$chrome->press('Set', '[aria-label="Guest desk"]');
        $this->lamp('Palm House dimmers', 2, 30);
        $this->go('Universes');
        self::$chrome->find('[data-slot="2"]')->click();
        $this->sees('[aria-label="Slot"]', 'Guest desk: priority 150 is above 100.');
        $this->go('Stand-ins');
        self::$chrome->fill('[aria-label="Guest desk"] input[type=number]', '100');
        self::$chrome->press('Set', '[aria-label="Guest desk"]');
        $this->lamp('Palm House dimmers', 2, 80);
    }

    private function movesTheTablet(): void
    {
        $this->fader("Guide's tablet fader", 0.5);
        $this->lamp('Palm House dimmers', 5, 128);
        $this->fader('House desk fader 5', 255);
        $this->lamp('Palm House dimmers', 5, 255);
        $this->sees("[aria-label=\"Guide's tablet\"]", '1.000');
    }

    private function opensTheTrace(): void
    {
        self::$chrome->find('h1')->click();
        $this->key('t');
        $this->sees('section.drawer', 'heard › decoded › matched › changed › sent');
        self::$chrome->press('heard › decoded › matched › changed', '.drawer .events');
        $this->sees('.drawer .hops', '2F 70 61 6C 6D');
        self::$chrome->find('h1')->click();
        $this->key('t');
    }

    private function holdsASlot(): void
    {
        $this->go('Universes');
        self::$chrome->find('[data-slot="12"]')->click();
        $this->key('255'.WebDriverKeys::ENTER);
        $this->sees('[data-slot="12"]', 'H');
        $this->lamp('Palm House dimmers', 12, 255);
        self::$chrome->find('h1')->click();
        $this->key('x');
        $this->lamp('Palm House dimmers', 12, 0);
    }

    private function pullsACable(): void
    {
        $this->go('Stand-ins');
        self::$chrome->press('Pull the cable', '[aria-label="House desk"]');
        $this->lamp('Palm House dimmers', 2, 30);
        $this->lamp('Palm House dimmers', 1, 220);
        $this->go('Ports');
        self::$chrome->press('House desk', '.list');
        $this->sees('aside[aria-label="Port"]', 'House desk into Palm House');
        $this->go('Stand-ins');
        self::$chrome->press('Cable is out', '[aria-label="House desk"]');
        $this->lamp('Palm House dimmers', 2, 80);
    }

    private function readsTheOtherEnd(): void
    {
        $this->go('Ports');
        self::$chrome->press('Palm House dimmers', '.list');
        $this->sees('aside[aria-label="Port"]', 'What the other end needs');
        self::$chrome->press('Copy as text', 'aside[aria-label="Port"]');
        $this->sees('aside[aria-label="Port"]', 'Copied');
        $this->sees('.third', 'Found on the network');
        $this->sees('.third', 'Canopy media server');
    }

    private function mendsSwappedPorts(): void
    {
        $this->go('Stand-ins');
        self::$chrome->press('Swapped ports', "[aria-label=\"Guide's tablet\"]");
        Background::until(
            static fn(): bool => UdpSocket::isTaken('127.77.0.1', 9000),
            'The quiet port listening at the crossed number',
        );
        $this->fader("Guide's tablet fader", 0.25);
        $this->go('Ports');
        self::$chrome->press("Guide's tablet", '.list');
        self::$chrome->press('Check connection', 'aside[aria-label="Port"]');
        $this->sees('aside[aria-label="Check connection"]', 'The two ports are swapped');
        self::$chrome->press('Listen at', 'aside[aria-label="Check connection"]');
        $this->fader('House desk fader 5', 0);
        $this->fader("Guide's tablet fader", 0.5);
        $this->lamp('Palm House dimmers', 5, 128);
    }

    private function playsTheOthers(): void
    {
        $this->go('Stand-ins');
        $this->sees('[aria-label="Talk slides"]', 'alive', 15);
        self::$chrome->driver->executeScript(
            'window.seen = new Set(); new MutationObserver(() => window.seen.add(document.querySelector(`[aria-label="Palm House dimmers"] [data-lamp="9"]`)?.dataset.level)).observe(document.body, { subtree: true, attributes: true, attributeFilter: ["data-level"] })',
        );
        self::$chrome->press('Next slide', '[aria-label="Talk slides"]');
        $this->untilScript('return String(window.seen.has("201"))', 'true');
        $this->fader('Sound workstation fader', 127);
        $this->untilScript('return document.querySelector(\'[data-layer="1"]\')?.dataset.opacity', '1');
        $this->lecternButton('pointerdown');
        $this->untilScript('return document.querySelector(".mist")?.dataset.lit', 'true');
        $this->lecternButton('pointerup');
        $this->go('Universes');
        $this->choose('Universe', 'Canopy');
        self::$chrome->find('[data-slot="8"]')->click();
        $this->key('255'.WebDriverKeys::ENTER);
        $this->go('Stand-ins');
        $this->untilScript('return document.querySelector(\'input[aria-label="Lectern fader 1"]\')?.value', '127');
        $this->key('x');
    }

    private function runsTheProgramme(): void
    {
        $this->go('Programme');
        self::$chrome->press('Cue lists', '.page-head');
        self::$chrome->press('Night Walk', '[aria-label="cue lists"]');
        self::$chrome->press('Go 1', 'aside.panel');
        // 80 % of 255, from where its fader left it.
        $this->lamp('Palm House dimmers', 9, 204);
        $this->go('Live');
        $this->sees('[aria-label="Running"]', 'Doors open');
        self::$chrome->press('Blackout', '.masters');
        $this->lamp('Palm House dimmers', 9, 0);
        $this->go('Live');
        self::$chrome->press('Blackout', '.masters');
        $this->lamp('Palm House dimmers', 9, 204);
        $this->go('Live');
        self::$chrome->press('Release', '[aria-label="Running"]');
    }

    private function lecternButton(string $event): void
    {
        self::$chrome->driver->executeScript(
            'arguments[0].dispatchEvent(new PointerEvent(arguments[1], { bubbles: true }))',
            [self::$chrome->find('[aria-label="Lectern button 1"]'), $event],
        );
    }

    private function usesASurface(): void
    {
        $this->go('Surfaces');
        self::$chrome->press('Guide', '[aria-label="surfaces"]');
        $this->sees('[aria-label="Surface"]', '/s/guide');
        self::$chrome->driver->get(self::$demo->url('/s/guide'));
        $this->sees('[data-control="next"]', 'Next: ');
        $next = self::$chrome->find('[data-control="next"]')->getText();
        $tell = 'const plate = document.querySelector("[data-control=go] button"); plate.setPointerCapture = () => {}; plate.dispatchEvent(new PointerEvent(arguments[0], { bubbles: true, pointerId: 1 }))';
        self::$chrome->driver->executeScript($tell, ['pointerdown']);
        Background::until(static fn(): bool => self::$chrome->find('[data-control="next"]')->getText() !== $next, 'the next cue going');
        self::$chrome->driver->executeScript($tell, ['pointerup']);
        self::$chrome->press('Dusk', '.grid');
        self::$chrome->press('Moss', '.grid');
        $this->sees('[data-control="ferns"] .value', '70 %');
        self::$chrome->driver->get(self::$demo->url('/surfaces-build/guide'));
        self::$chrome->find('.grip');
    }

    private function watchesAWave(): void
    {
        $this->go('Stand-ins');
        self::$chrome->press('Slow wave', '[aria-label="House desk"]');
        self::$chrome->press('Jitters', '[aria-label="House desk"]');
        $this->go('Scope');
        self::$chrome->fill('form[aria-label="Watch"] input[type=number]', '7');
        self::$chrome->press('Watch it', 'form');
        $this->sees('[aria-label="Palm House, slot 7"]', 'unevenly', 20);
    }
}
