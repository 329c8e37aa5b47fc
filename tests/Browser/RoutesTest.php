<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Tests\Support\Udp;

/** Routes are learned, looked at, changed many at once, and let take what they nearly took. */
final class RoutesTest extends BrowserTestCase
{
    private const MANY = 'aside[aria-label="Learn several"]';
    private static ?Udp $tablet = null;

    public static function tearDownAfterClass(): void
    {
        self::$tablet = null;
        parent::tearDownAfterClass();
    }

    public function testSixteenButtonsAreLearnedInOneGo(): void
    {
        $this->go('Routes');
        self::$chrome->find('[aria-label="routes"] .count');
        self::$chrome->press('Learn several', '.page-head');
        self::$chrome->press('Learn', self::MANY);
        $this->sees(self::MANY, '0 so far');
        for ($round = 1; $round <= 2; ++$round) {
            for ($i = 1; $i <= 16; ++$i) {
                $this->says("/bank/{$i}", 1.0);
                $this->says("/bank/{$i}", 0.0);
                $this->untilScript("return document.querySelectorAll('".self::MANY." li').length", $round === 1 ? $i : 16);
            }
        }
        $this->says('/alive', 1.0);
        $this->untilScript("return document.querySelectorAll('".self::MANY." li').length", 17);
        self::$chrome->press('Forget', self::MANY.' li:nth-child(17)');
        $this->says('/alive', 1.0);
        $this->says('/last', 1.0);
        $this->untilScript("return document.querySelector('".self::MANY." li:nth-child(17)')?.textContent.includes('/last')", true);
        self::$chrome->press('Forget', self::MANY.' li:nth-child(17)');
        self::$chrome->press('Stop learning', self::MANY);
        for ($i = 1; $i <= 16; ++$i) {
            self::$chrome->fill(self::MANY." li:nth-child({$i}) input", "Button {$i}");
        }
        $this->sees(self::MANY, '/bank/16 to slot:palm-house/16');
        self::$chrome->press('Forget', self::MANY.' li:nth-child(3)');
        self::$chrome->press('Add 15 routes', self::MANY);
        $this->sees('[aria-label="routes"] .count', '27');
        $this->sees('aside.panel', 'When /bank/1 arrives on Guide\'s tablet, set');
        $this->undo('add 15 routes');
    }

    public function testANearMissIsReadAndTheRouteLetTakeIt(): void
    {
        $this->go('Routes');
        self::$chrome->driver->get(self::$demo->url(
            '/routes?add=1&when='.rawurlencode((string) json_encode(['kind' => 'osc', 'port' => 'guides-tablet', 'address' => '/curtain'])),
        ));
        $this->field('Name', 'Curtain');
        self::$chrome->press('Add', 'section[aria-label="And only if"]');
        $this->choose('And only if, 1', 'The value is at least');
        $this->field('At least', '100');
        self::$chrome->press('Add', 'section[aria-label="Then do"]');
        $this->field('Point', 'slot:palm-house/20');
        $this->sees('[aria-label="What it would do"]', 'set slot 20 of Palm House to 1');
        self::$chrome->press('Add the route', 'form');
        $this->sees('aside.panel', 'Has not acted yet.');
        $this->says('/curtain', 64.0);
        $this->sees('aside.panel', 'it wants at least 100, it is 64');
        self::$chrome->press('What did nothing', '.page-head');
        $this->sees('[aria-label="Nearly taken"]', 'Curtain wants at least 100, it is 64');
        $this->sees('[aria-label="Came and did nothing"]', '/curtain 64');
        self::$chrome->press('Take this too', '[aria-label="Nearly taken"]');
        $this->sees('[aria-label="Nearly taken"]', 'No route has nearly taken anything.');
        $this->says('/curtain', 64.0);
        $this->untilScript(
            'return document.querySelector("[aria-label=\'Came and did nothing\']").textContent.includes("/curtain")',
            false,
        );
        $this->says('/nobody/knows', 1.0);
        $this->sees('[aria-label="Came and did nothing"]', '/nobody/knows');
        self::$chrome->driver->executeScript(
            '[...document.querySelectorAll("[aria-label=\'Came and did nothing\'] article")].find((one) => one.textContent.includes("/nobody/knows")).querySelector("button").click()',
        );
        $this->untilScript('return [...document.querySelectorAll("form input")].some((one) => one.value === "/nobody/knows")', true);
        $this->go('Routes');
        self::$chrome->press('Curtain', '[aria-label="routes"]');
        $this->sees('aside.panel', 'Acted');
        $this->field('Try it with the value', '128');
        self::$chrome->press('Try it', 'aside.panel');
        $this->key('t');
        $this->sees('main, body', 'a test: builder runs "Curtain" with 128');
        $this->key('t');
    }

    public function testATemplateIsLookedAtBeforeItIsKept(): void
    {
        $this->go('Routes');
        self::$chrome->press('Add a route', '.page-head');
        $this->choose('What it does', 'Step by step');
        $this->field('Name', 'Lists');
        self::$chrome->press('Add', 'section[aria-label="Then do"]');
        $this->choose('Then do, 1', 'Send a message');
        $this->choose('Port', 'Cue desk');
        self::$chrome->press('Add', 'section[aria-label="Message"]');
        $this->choose('Message', 'An OSC message');
        $this->field('Address, like /cue/{cue}/start', '/go/{list}/{lost}');
        self::$chrome->press('Add', 'section[aria-label="When any of these"]');
        $this->choose('When any of these, 1', 'An OSC message');
        $this->choose('Port', "Guide's tablet");
        $this->field('Address, like /cue/{number}/go', '/list/{list}/go');
        $this->sees('[aria-label="What it would do"]', 'send /go/1/_lost_ on Cue desk');
        $this->sees('[aria-label="What it would do"]', 'Nothing fills {lost} when this comes.');
        $this->field('Address, like /cue/{cue}/start', '/go/{list}');
        $this->sees('[aria-label="What it would do"]', '2f 67 6f 2f 31 00 00 00 2c 00 00 00');
        $this->leave();
    }

    public function testACurveIsDrawnAndATriggerIsLearnedAnewInItsPlace(): void
    {
        $this->go('Routes');
        self::$chrome->driver->get(self::$demo->url(
            '/routes?add=1&when='.rawurlencode((string) json_encode(['kind' => 'osc', 'port' => 'guides-tablet', 'address' => '/palm/lantern'])),
        ));
        $this->field('Name', 'Drawn');
        $this->sees('form', 'Another route listens to this: Guide\'s fader to the lantern');
        self::$chrome->driver->executeScript('document.querySelector("[aria-label=\'When any of these: learn 1 anew\']").click()');
        $this->says('/anew', 0.3);
        $this->says('/anew', 0.9);
        self::$chrome->press('/anew', 'form .learn');
        $this->untilScript('return [...document.querySelectorAll("form input")].some((one) => one.value === "/anew")', true);
        $this->untilScript('return document.querySelector("form").textContent.includes("Another route listens")', false);
        self::$chrome->press('Add', 'section[aria-label="What becomes of the value"]');
        $this->choose('What becomes of the value, 1', 'By a table of points');
        $this->field('In and out, in pairs: 0, 0, 128, 40, 255, 255', '0, 0, 100, 50, 200, 100');
        self::$chrome->find('[aria-label="Point 2"]')
            ->sendKeys([WebDriverKeys::ARROW_UP, WebDriverKeys::ARROW_UP, WebDriverKeys::ARROW_RIGHT]);
        $this->untilScript(
            'return [...document.querySelectorAll("form input")].some((one) => one.value === "0, 0, 102, 52, 200, 100")',
            true,
        );
        self::$chrome->find('[aria-label="Point 2"]')->sendKeys(WebDriverKeys::DELETE);
        $this->untilScript('return [...document.querySelectorAll("form input")].some((one) => one.value === "0, 0, 200, 100")', true);
        $this->leave();
    }

    public function testSeveralAreRenumberedAndASheetWithWrongLinesNamesEach(): void
    {
        $this->go('Routes');
        self::$chrome->press('Doors', '[aria-label="routes"]');
        self::$chrome->find('[data-row="doors"]')->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_DOWN]);
        $bar = '[aria-label="What is selected"]';
        $this->sees($bar, '2 routes selected');
        self::$chrome->press('Renumber', $bar);
        self::$chrome->press('Change 2', $bar);
        $this->sees('[data-row="doors"]', 'note 61');
        $this->undo('renumber the notes of 2 routes by 12');
        self::$chrome->press('Trigger sheet', '.page-head');
        $this->sees('[aria-label="Triggers"]', 'note name (middle C = C4)');
        self::$chrome->press('Read a sheet', '.page-head');
        $csv = "name,port,when,number,note name (middle C = C4),does,point\nOne,talk-slides,note,60,C3,set,slot:palm-house/1\nTwo,nobody,note,61,,set,slot:palm-house/2\nThree,talk-slides,note,x,,set,slot:palm-house/3\n";
        $take = 'const area = document.querySelector("textarea"); area.value = arguments[0]; area.dispatchEvent(new Event("change"))';
        self::$chrome->driver->executeScript($take, [$csv]);
        foreach ([
            'row 2, column note name: C3 is note 48',
            'row 3, column port: there is no port "nobody"',
            'row 4, column number: it is "x"',
        ] as $words) {
            $this->sees('[aria-label="Read a sheet"] [role=alert]', $words);
        }
        self::$chrome->driver->executeScript($take, ["name,port,when,number,does,point\nOne,Talk slides,note,60,set,slot:palm-house/1\n"]);
        $this->sees('[aria-label="Read a sheet"] [role=status]', '0 would change, 1 would be new');
        self::$chrome->press('Take it in', '[aria-label="Read a sheet"]');
        $this->sees('[aria-label="Triggers"]', 'One');
        $this->undo('take in a trigger sheet: 0 changed, 1 added');
    }

    /** Thirty routes in ten minutes, without a mouse: at three keys a second there is time for sixty keys a route. */
    public function testThirtyRoutesAreMadeByKeysAlone(): void
    {
        $this->go('Routes');
        $before = (int) self::$chrome->find('[aria-label="routes"] .count')->getText();
        $keys = 0;
        $press = function (string $what) use (&$keys): void {
            ++$keys;
            $this->key($what);
        };
        $type = function (string $text) use (&$keys): void {
            $keys += \strlen($text);
            $this->key($text);
        };
        $focused = static fn(): string => (string) self::$chrome->driver->executeScript(
            'const at = document.activeElement; return at.getAttribute("aria-label") ?? document.querySelector(`label[for="${at.id}"]`)?.textContent ?? at.textContent ?? ""',
        );
        $tabTo = function (string $label) use ($press, $focused): void {
            for ($i = 0; $i < 20 && trim($focused()) !== $label; ++$i) {
                $press(WebDriverKeys::TAB);
            }
            self::assertSame($label, trim($focused()));
        };
        for ($i = 1; $i <= 30; ++$i) {
            $press('/');
            $this->untilScript('return document.activeElement?.getAttribute("role")', 'combobox');
            $type('add a route');
            $this->sees('#found [aria-selected=true]', 'Add a route');
            $press(WebDriverKeys::ENTER);
            $this->untilScript(
                'return document.querySelector("main form label[for=\'" + document.activeElement.id + "\']")?.textContent',
                'Name',
            );
            $type("K{$i}");
            $tabTo('OSC address');
            $type("/k/{$i}");
            $tabTo('Slot, 1 to 512');
            $press(WebDriverKeys::CONTROL.'a');
            $type((string) (100 + $i));
            $press(WebDriverKeys::ENTER);
            $this->sees('[aria-label="routes"] .count', (string) ($before + $i));
            // As long as the form is there, a slash is one more letter.
            $this->untilScript('return document.activeElement?.tagName !== "INPUT"', true);
        }
        $this->says('/k/30', 1.0);
        $this->sees('aside.panel', 'When /k/30 arrives on');
        $this->sees('aside.panel', 'Acted 1 time');
        self::assertLessThan(60 * 30, $keys);
    }

    private function says(string $address, float $value): void
    {
        $loopback = self::$demo->loopback;
        self::$tablet ??= new Udp("{$loopback}.15");
        self::$tablet->send(Osc::of($address, [$value])->packet->encode(), "{$loopback}.1:8000");
    }
}
