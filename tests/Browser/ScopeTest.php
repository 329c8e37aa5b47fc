<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

/** Values over time, as a person watches them. */
final class ScopeTest extends BrowserTestCase
{
    private const SLOT = '[aria-label="Palm House, slot 7"]';
    private const MESSAGE = '[aria-label="Guide\'s tablet, /palm/lantern"]';

    /** The second stands beside the first. */
    public function testASlotAndANumberBesideIt(): void
    {
        $this->aSlotIsWatchedFromItsOwnPage();
        $this->aNumberInMessagesIsWatchedBesideIt();
    }

    private function aSlotIsWatchedFromItsOwnPage(): void
    {
        $this->go('Stand-ins');
        self::$chrome->press('Slow wave', '[aria-label="House desk"]');
        $this->go('Universes');
        self::$chrome->find('[data-slot="7"]')->click();
        self::$chrome->press('Watch this slot over time', '[aria-label="Slot"]');
        $this->sees(self::SLOT, 'times a second');
        $this->sees(self::SLOT, 'teps of');
        $this->points(self::SLOT, 50);
        self::assertTrue(
            self::$chrome->driver->executeScript(
                'const canvas = document.querySelector(".lane canvas"); const data = canvas.getContext("2d").getImageData(0, 0, canvas.width, canvas.height).data; let inked = 0; for (let i = 3; i < data.length; i += 4) inked += data[i] > 0 ? 1 : 0; return inked > 500',
            ),
            'the curve is drawn',
        );
    }

    private function aNumberInMessagesIsWatchedBesideIt(): void
    {
        $this->choose('Watch', 'A number in messages');
        $this->choose('Port', "Guide's tablet");
        $this->field('Address', 'palm lantern');
        self::$chrome->press('Watch it', 'form');
        $this->sees('[role=alert]', 'write an address that begins with /');
        $this->field('Address', '/palm/lantern');
        self::$chrome->press('Watch it', 'form');
        $this->sees(self::MESSAGE, 'Nothing has arrived');
        $link = self::$chrome->driver->getCurrentURL();
        $this->fader("Guide's tablet fader", 0.25);
        self::$chrome->driver->get($link);
        $this->sees(self::SLOT, 'times a second', 15);
        $this->fader("Guide's tablet fader", 0.75);
        self::$chrome->driver->get($link);
        $this->sees(self::MESSAGE, '0.75');
        self::$chrome->press('30 s', '.page-head');
        self::$chrome->press('Freeze', '.page-head');
        $this->sees('.page-head', 'Resume');
        self::$chrome->press('Remove', self::SLOT);
        $this->untilScript('return String(document.querySelectorAll(".lane").length)', '1');
    }

    /** A desk that sends late and loses packets makes steps of a smooth wave: the words say so. */
    public function testASourceThatJittersIsCalledUneven(): void
    {
        $this->go('Stand-ins');
        self::$chrome->press('Jitters', '[aria-label="House desk"]');
        $this->go('Scope');
        self::$chrome->fill('form[aria-label="Watch"] input[type=number]', '9');
        self::$chrome->press('Watch it', 'form');
        $this->sees('[aria-label="Palm House, slot 9"]', 'unevenly', 20);
    }

    private function points(string $lane, int $least): void
    {
        $this->untilScript("return String(Number(document.querySelector(`{$lane} .plot`)?.dataset.points) >= {$least})", 'true', 15);
    }
}
