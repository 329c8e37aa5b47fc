<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use NimbleJunction\Tests\Support\Background;

/** A packet is pasted: bytes on the left, fields on the right, and pointing at one lights the other. */
final class PacketsTest extends BrowserTestCase
{
    public function testPointingAtAByteLightsItsFieldAndBack(): void
    {
        $this->go('Packets');
        $this->paste('F0 7F 14 02:01 01 31 00 31 F7');
        $this->sees('.fields-list', 'MIDI Show Control');
        $this->sees('.fields-list', 'GO cue 1 list 1, Lighting (General), device 20');
        $this->point('[data-byte="4"]', '.field.lit', 'command_format');
        $field = self::$chrome->driver->findElement(
            WebDriverBy::xpath('//div[contains(@class, "field")][span[text()="Q_list"]]'),
        );
        self::$chrome->driver->action()->moveToElement($field)->perform();
        self::assertSame(
            ['8'],
            self::$chrome->driver->executeScript(
                'return [...document.querySelectorAll(".byte.lit")].map((one) => one.dataset.byte)',
            ),
        );
    }

    public function testABrokenPacketIsRefusedAtItsByte(): void
    {
        $this->go('Packets');
        $this->paste('4172742d4e6574000050000e090001000000ff8001');
        $this->sees('.refused', 'Refused at byte 16: Length is 0, allowed is 1 to 512.');
        self::assertSame('16', self::$chrome->find('.byte.wrong')->getAttribute('data-byte'));
        $this->paste('41zz');
        $this->sees('.refused', '"z" is not a hexadecimal digit');
    }

    public function testFieldsAreChangedAsJsonAndWritten(): void
    {
        $this->go('Packets');
        $this->paste('2f70616c6d2f6c616e7465726e0000002c6600003f000000');
        $this->sees('.fields-list', '/palm/lantern');
        self::$chrome->press('As JSON', '.page');
        $this->setText('[aria-label="Fields of the packet"] textarea', '{"OSC Address Pattern": "/fern", "OSC Arguments": [7]}');
        self::$chrome->press('Write the bytes', '.page');
        $this->sees('.fields-list', '/fern');
        $this->sees('.bytes', '2F6665726E');
        self::$chrome->press('As JSON', '.page');
        $this->setText('[aria-label="Fields of the packet"] textarea', '{"OSC Address Pattern": "fern"}');
        self::$chrome->press('Write the bytes', '.page');
        $this->sees('[role=alert]', 'it must begin with "/"');
    }

    public function testTheTracesBytesAreReadWithOneClick(): void
    {
        $this->fader("Guide's tablet fader", 0.25);
        self::$chrome->find('button.handle')->click();
        self::$chrome->press('/palm/lantern', '.drawer');
        self::$chrome->press('read these bytes', '.hops');
        $this->sees('.fields-list', '/palm/lantern');
        $this->sees('.fields-list', '0.25');
    }

    private function paste(string $hex): void
    {
        $this->setText('.paste textarea', $hex);
    }

    private function setText(string $css, string $text): void
    {
        self::$chrome->driver->executeScript(
            'arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event("input", {bubbles: true}))',
            [self::$chrome->find($css), $text],
        );
    }

    /** What is drawn anew under a pointer that stands still is not pointed at: it comes from elsewhere each time. */
    private function point(string $css, string $lit, string $words): void
    {
        Background::until(static function () use ($css, $lit, $words): bool {
            self::$chrome->driver->action()
                ->moveToElement(self::$chrome->find('main h1'))
                ->moveToElement(self::$chrome->find($css))
                ->perform();
            $text = self::$chrome->driver->executeScript('return document.querySelector(arguments[0])?.textContent ?? ""', [$lit]);

            return str_contains((string) $text, $words);
        }, "{$words} in {$lit}");
        $this->addToAssertionCount(1);
    }
}
