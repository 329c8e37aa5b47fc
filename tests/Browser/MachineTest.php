<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

/** The machine's own page; the show locked for the evening; an engine that is gone, said on the page. */
final class MachineTest extends BrowserTestCase
{
    public function testWhatHasHappenedIsFoundAndABackupIsMadeAndPutBack(): void
    {
        self::$chrome->driver->get(self::$demo->url('/machine'));
        $this->sees('[aria-label="What has happened"]', 'The engine runs');
        $this->sees('[aria-label="What has happened"]', 'builder logged in');
        $this->sees('[aria-label="How it is"]', trim((string) file_get_contents(\dirname(__DIR__, 2).'/VERSION')));
        $this->select('select[aria-label="Kind of event"]', 'login');
        $this->untilScript(
            'return [...document.querySelectorAll("[aria-label=\'What has happened\'] td:nth-child(2)")].every((one) => one.textContent.trim() === "Login")',
            true,
        );
        self::$chrome->fill('input[aria-label="Find in the events"]', 'no such thing');
        $this->sees('[aria-label="What has happened"]', 'Nothing like this has happened yet.');
        self::$chrome->press('Make one now', '[aria-label="Backups"]');
        self::$chrome->press('Put back', '[aria-label="Backups"]');
        $this->sees('form[aria-label="Put back"]', 'lamps follow');
        self::$chrome->press('Put it back', 'form[aria-label="Put back"]');
        $this->sees('[aria-label="Backups"] [role=status]', 'The engine runs "Fernhall Glasshouse, Night Walk".');
        $this->sees('[aria-label="Backups"] [role=status]', 'people and their passwords stay as they are here');
    }

    public function testLockedWithACodeOnlyTheLivePageIsOpen(): void
    {
        self::$chrome->driver->get(self::$demo->url('/ports'));
        self::$chrome->press('Show mode', 'nav.rail');
        self::$chrome->fill('form[aria-label="Show mode"] input', '2604');
        self::$chrome->press('Lock', 'form[aria-label="Show mode"]');
        $this->sees('nav.rail', 'by builder');
        $this->untilScript('return location.pathname', '/live');
        $this->untilScript('return [...document.querySelectorAll("nav.rail > a")].map((one) => one.textContent.trim()).join()', 'Live');
        self::$chrome->driver->get(self::$demo->url('/ports'));
        $this->untilScript('return location.pathname', '/live');
        self::$chrome->press('Unlock', 'nav.rail');
        self::$chrome->fill('form[aria-label="Unlock"] input', '1111');
        self::$chrome->press('Unlock', 'form[aria-label="Unlock"]');
        $this->sees('form[aria-label="Unlock"] [role=alert]', 'that is not the code');
        self::$chrome->fill('form[aria-label="Unlock"] input', '2604');
        self::$chrome->press('Unlock', 'form[aria-label="Unlock"]');
        self::$chrome->press('Ports', 'nav.rail');
        $this->untilScript('return location.pathname', '/ports');
    }

    public function testAnAddressThatNoPageHasSaysSo(): void
    {
        self::$chrome->driver->get(self::$demo->url('/nothing/here'));
        $this->sees('main', 'Nothing has the address /nothing/here.');
    }
}
