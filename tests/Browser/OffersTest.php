<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Tests\Support\Udp;

/** Points are offered to a desk: found by touching them, put in order, and seen as a desk moves them. */
final class OffersTest extends BrowserTestCase
{
    private const FORM = 'form[aria-label="Offer"]';

    public function testAnOfferIsMadeByTouchingAndAMessageMovesWhatItOffers(): void
    {
        $this->go('Routes');
        self::$chrome->press('Offers', '.page-head');
        self::$chrome->press('Add an offer', '.page-head');
        $this->field('Name', 'Pond');
        $this->choose('At slots of universe', 'Lily Pond');
        $this->choose('By OSC, at port', "Guide's tablet");
        self::$chrome->press('Learn', self::FORM.' .point-field');
        $this->sees(self::FORM, 'Touch it now');
        // The lantern is moved by the guide's own fader.
        $this->untilMoved('fixture:lantern/level');
        self::$chrome->press('Lantern, level', self::FORM.' .learn');
        self::$chrome->press('Add the point', self::FORM);
        $this->untilScript('return document.querySelectorAll("form .parameter").length', 1);
        self::$chrome->press('Add a spare slot', self::FORM);
        self::$chrome->press('↓', self::FORM);
        $this->untilScript(
            'return [...document.querySelectorAll("form .parameter .line input")].map((one) => one.value).join("; ")',
            'Spare 2; Lantern, level',
        );
        self::$chrome->press('Add the offer', self::FORM);
        $this->sees('aside.panel', '/pond/lantern-level');
        $this->sees('aside.panel', 'Lily Pond, slots 13 to 14');
        $this->sees('aside.panel', 'no desk');
        $this->says('/pond/lantern-level', 40.0);
        $this->untilScript('return [...document.querySelectorAll("aside.panel td")].some((one) => one.textContent.trim() === "40")', true);
        $this->key('t');
        $this->sees('main, body', '/pond/lantern-level 40');
        $this->key('t');
        $this->undo('add offer "Pond"');
    }

    public function testWhatIsWrongIsSaidAtTheParameterAndADeskIsSeen(): void
    {
        $this->go('Routes');
        self::$chrome->press('Offers', '.page-head');
        self::$chrome->press('Garden', '[aria-label="offers"]');
        $this->sees('aside.panel', '/garden/fern-pan');
        // The house desk sends that universe, and nothing at these slots.
        $this->sees('aside.panel tr.now', '▸ 0');
        self::$chrome->press('Change', 'aside.panel');
        self::$chrome->press('2 functions', self::FORM);
        $this->field('To value', '200');
        self::$chrome->press('Save', self::FORM);
        $this->sees(self::FORM.' .parameter.opened', 'values 128 to 255 are also among 1 to 200 of another one');
        $this->leave();
    }

    private function untilMoved(string $address): void
    {
        foreach (range(1, 40) as $i) {
            // To and fro would be taken for wobbling.
            $this->says('/palm/lantern', $i / 40);
            $found = self::$chrome->driver->executeScript('return document.querySelector("form .learn")?.textContent ?? ""');
            if (str_contains((string) $found, 'Lantern, level')) {
                return;
            }
            usleep(150_000);
        }
        self::fail("{$address} was never seen to move");
    }

    private function says(string $address, float $value): void
    {
        $loopback = self::$demo->loopback;
        $tablet = new Udp("{$loopback}.15");
        $tablet->send(Osc::of($address, [$value])->packet->encode(), "{$loopback}.1:8000");
    }
}
