<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Database\Seeders\FernhallSurfaces;
use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Tests\Support\Background;

/** Surfaces as guests use them: on a phone, on a tablet, with several fingers, and when the link breaks. */
final class SurfacesTest extends BrowserTestCase
{
    private const AXE = <<<'JS'
        const done = arguments[arguments.length - 1];
        axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'], resultTypes: ['violations'] }).then(
            (result) => done(result.violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.html).slice(0, 2).join(' ')}`)),
            (error) => done([String(error)]),
        )
        JS;

    private const ADD = <<<'JS'
        const done = arguments[arguments.length - 1];
        const token = decodeURIComponent(document.cookie.split('; ').find((one) => one.startsWith('XSRF-TOKEN=')).slice(11));
        fetch('/api/show/surfaces', {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token },
            body: JSON.stringify(arguments[0]),
        }).then((answer) => done(answer.status));
        JS;

    /** @return array<string, mixed> a surface with two pads beside each other */
    private static function pads(): array
    {
        $pad = static fn(string $id, int $column, string $across, string $up): array => [
            'id' => $id, 'name' => $id, 'column' => $column,
            'does' => ['kind' => 'pad', 'across' => [['point' => $across]], 'up' => [['point' => $up]]],
        ];

        return ['name' => 'Pads', 'entry' => 'network', 'networks' => ['127.0.0.0/8'], 'pages' => [['id' => 'both', 'name' => 'Both', 'columns' => 2, 'rows' => 1, 'controls' => [
            $pad('laser', 1, 'fixture:laser/across', 'fixture:laser/up'),
            $pad('ferns', 2, 'group:ferns/pan', 'group:ferns/tilt'),
        ]]]];
    }

    protected static function prepare(): void
    {
        // What breaks a link in these tests.
        self::$chrome->before(
            'window.links = []; const Real = WebSocket; window.WebSocket = class extends Real { constructor(...all) { super(...all); window.links.push(this) } }',
        );
        self::assertSame(200, self::$chrome->driver->executeAsyncScript(self::ADD, [self::pads()]));
        self::$chrome->logout();
        self::$chrome->size(390, 844);
    }

    public function testAGuestTypesTheCodeAndPressesAndIsNowhereElse(): void
    {
        $this->atGuide();
        $this->press('moss');
        $this->untilScript('return document.querySelector("[data-control=moss] .plate").classList.contains("on")', true);
        $this->sees('[data-control="ferns"] .value', '70 %');
        self::$chrome->driver->get(self::$demo->url('/ports'));
        self::$chrome->find('input[name=name]');
        self::$chrome->driver->get(self::$demo->url('/s/front-of-house'));
        $this->sees('main', 'This surface is closed to you.');
    }

    public function testTwoFadersAreMovedAtOnceByTwoFingers(): void
    {
        $this->atGuide();
        $boxes = array_map($this->box(...), ['ferns', 'lantern']);
        $at = static fn(float $share): array => array_map(
            static fn(array $box, int $i): array => ['x' => $box[0] + $share * $box[2], 'y' => $box[1] + $box[3] / 2, 'id' => $i],
            $boxes,
            [0, 1],
        );
        $this->touch('touchStart', $at(0.1));
        foreach ([0.3, 0.6, 0.9, 0.99] as $share) {
            $this->touch('touchMove', $at($share));
        }
        $this->touch('touchMove', $at(1.0));
        $this->touch('touchEnd', []);
        $this->sees('[data-control="ferns"] .value', '80 %');
        $this->sees('[data-control="lantern"] .value', '100 %');
        self::assertSame(
            '100',
            self::$chrome->find('[data-control="ferns"] [role=slider]')->getAttribute('aria-valuenow'),
            'its maximum is 80 %',
        );
    }

    public function testTwoPadsOfTwoPagesAreReachedByASwipeAndMovedWithinTheirSquare(): void
    {
        $this->atGuide();
        [$x, $y, $width, $height] = $this->box('next');
        $this->touch('touchStart', [['x' => $x + $width - 20, 'y' => $y + $height / 2, 'id' => 0]]);
        $this->touch('touchMove', [['x' => $x + $width / 2, 'y' => $y + $height / 2, 'id' => 0]]);
        $this->touch('touchMove', [['x' => $x + 20, 'y' => $y + $height / 2, 'id' => 0]]);
        $this->touch('touchEnd', []);
        self::$chrome->find('[data-control="laser"]');
        [$x, $y, $width, $height] = $this->box('laser', '.field');
        $this->touch('touchStart', [['x' => $x + $width / 2, 'y' => $y + $height / 2, 'id' => 0]]);
        $this->touch('touchMove', [['x' => $x + 0.8 * $width, 'y' => $y + 0.4 * $height, 'id' => 0]]);
        $this->touch('touchEnd', []);
        $this->untilScript('return document.querySelector("[data-control=laser] .below").textContent', '80 %');
        $this->untilScript('return document.querySelector("[data-control=laser] .beside").textContent', '60 %');
    }

    public function testWhatIsPressedWhileTheLinkIsLostIsRefusedAndTheValuesAreRightWhenItIsBack(): void
    {
        $this->atGuide();
        self::$chrome->driver->executeScript(
            'window.Kept = window.WebSocket; window.WebSocket = class { constructor() { throw new Error("asleep") } }; links.at(-1).close()',
        );
        $this->sees('header', 'not connected');
        $this->sees('[role=alert]', 'Not connected: what you touch is not sent.');
        $before = self::$chrome->driver->executeScript(
            'return document.querySelector("[data-control=dusk] .plate").classList.contains("on")',
        );
        $this->press('dusk');
        self::$chrome->driver->executeScript('window.WebSocket = window.Kept; dispatchEvent(new Event("online"))');
        $this->sees('header', 'live');
        self::assertSame(
            $before,
            self::$chrome->driver->executeScript('return document.querySelector("[data-control=dusk] .plate").classList.contains("on")'),
            'it is not sent late',
        );
        $this->press('dusk');
        $this->untilScript('return document.querySelector("[data-control=dusk] .plate").classList.contains("on")', ! $before);
    }

    public function testEveryControlIsReachedByKeysAndSaysWhatItIs(): void
    {
        $this->atGuide();
        $roles = self::$chrome->driver->executeScript(
            'return [...document.querySelectorAll("[data-control] :is(button, [role=slider], input)")].map((one) => [one.getAttribute("role") ?? one.tagName, one.tabIndex, one.getAttribute("aria-label") ?? one.textContent.trim()])',
        );
        self::assertGreaterThanOrEqual(7, \count($roles));
        foreach ($roles as [$role, $index, $name]) {
            self::assertSame(0, $index, "{$role} {$name}");
        }
        $fader = self::$chrome->find('[data-control="lantern"] [role=slider]');
        $fader->sendKeys(WebDriverKeys::HOME);
        $this->sees('[data-control="lantern"] .value', '4 %');
        $fader->sendKeys(str_repeat(WebDriverKeys::PAGE_UP, 2));
        $this->sees('[data-control="lantern"] .value', '23 %');
        self::$chrome->driver->executeScript('document.querySelector("[data-control=go] button").focus()');
        $this->hold('[data-control="go"] button', 1200);
        $this->sees('[data-control="next"]', '2 Into the ferns');
        self::$chrome->find('[data-control="call"] input')->sendKeys('Rope is open'.WebDriverKeys::ENTER);
        $this->untilScript('return document.querySelector("[data-control=call] input").placeholder', 'Rope is open');
    }

    public function testAKioskComesBackByItselfAndHasNoWayOut(): void
    {
        self::$chrome->size(1280, 800);
        self::$chrome->driver->get(self::$demo->url('/s/door'));
        self::$chrome->find('[data-control="wake"]');
        self::assertStringNotContainsString('Screen', self::$chrome->find('header')->getText());
        self::$chrome->driver->navigate()->back();
        self::$chrome->find('[data-control="wake"]');
        self::assertStringEndsWith('/s/door', self::$chrome->driver->getCurrentURL());
        self::$chrome->driver->navigate()->refresh();
        $this->hold('[data-control="wake"] button', 500);
        self::assertStringNotContainsString('awake', self::$chrome->find('[data-control="wake"]')->getText(), 'held too shortly');
        $this->hold('[data-control="wake"] button', 2200);
        $this->sees('[data-control="wake"]', 'The lanterns are awake');
    }

    public function testAKioskIsLeftByItsCodeAndByNothingElse(): void
    {
        self::$chrome->driver->get(self::$demo->url('/s/door'));
        $this->sees('header', 'live');
        $this->hold('header .name', 300);
        self::assertSame([], self::$chrome->driver->findElements(WebDriverBy::cssSelector('#code')), 'held too shortly');
        $this->hold('header .name', 1700);
        self::$chrome->fill('#code', '9999'.WebDriverKeys::ENTER);
        $this->sees('[role=alert]', 'That is not the code.');
        self::$chrome->fill('#code', FernhallSurfaces::CODE.WebDriverKeys::ENTER);
        self::$chrome->press('Screen', 'header');
        self::$chrome->press('Kiosk again', 'header');
        self::$chrome->find('header button.name')->sendKeys(WebDriverKeys::ENTER);
        self::$chrome->press('Back to the surface', '.door');
        self::$chrome->find('[data-control="wake"]');
        self::assertStringNotContainsString('Screen', self::$chrome->find('header')->getText());
    }

    public function testAPageComesByItselfAfterBrowserEngineAndWebServerWereGone(): void
    {
        self::$chrome->driver->get(self::$demo->url('/s/door'));
        $this->sees('header', 'live');
        self::$chrome->driver->executeAsyncScript('navigator.serviceWorker.ready.then(arguments[arguments.length - 1])');
        posix_kill($this->enginePid(), \SIGKILL);
        $this->sees('header', 'not connected');
        $this->sees('header', 'live');
        self::$chrome->restart();
        $pids = self::$demo->webPids();
        self::assertNotSame([], $pids);
        array_map(static fn(int $pid): bool => posix_kill($pid, \SIGSTOP), $pids);
        try {
            self::$chrome->driver->get(self::$demo->url('/s/door'));
            $this->sees('main', 'The show\'s machine does not answer.');
        } finally {
            array_map(static fn(int $pid): bool => posix_kill($pid, \SIGCONT), $pids);
        }
        $this->sees('header', 'live');
        self::$chrome->find('[data-control="wake"]');
    }

    public function testNothingIsFoundOnAnySurfaceInBothThemes(): void
    {
        $axe = (string) file_get_contents(Background::root().'/node_modules/axe-core/axe.min.js');
        $found = [];
        foreach (['night', 'day'] as $theme) {
            self::$chrome->driver->executeScript('localStorage.setItem("theme", arguments[0])', [$theme]);
            foreach ([[390, 844], [820, 1180], [1280, 800]] as [$width, $height]) {
                self::$chrome->size($width, $height);
                $this->atGuide();
                foreach (['Walk', 'Pond'] as $page) {
                    self::$chrome->press($page, 'nav');
                    $found = [...$found, ...$this->faults($axe, "{$page} {$width} {$theme}")];
                }
                self::$chrome->driver->get(self::$demo->url('/s/door'));
                self::$chrome->find('[data-control="wake"]');
                $found = [...$found, ...$this->faults($axe, "door {$width} {$theme}")];
            }
        }
        self::assertSame([], $found);
    }

    public function testWrongCodesAreRefusedAndAfterFiveNobodyMayTry(): void
    {
        // Another phone: nothing that is under way brings back who was here before.
        self::$chrome->driver->manage()->deleteAllCookies();
        self::$chrome->driver->get(self::$demo->url('/s/guide'));
        for ($i = 1; $i <= 5; ++$i) {
            self::$chrome->fill('#code', "000{$i}".WebDriverKeys::ENTER);
            $this->sees('[role=alert]', 'That is not the code.');
        }
        self::$chrome->fill('#code', FernhallSurfaces::CODE.WebDriverKeys::ENTER);
        $this->sees('[role=alert]', 'Too many wrong codes: wait a minute, then try again.');
    }

    /** The last one that touches: after two fingers on two pads the browser's own emulation touches no other page. */
    public function testTwoPadsAreMovedAtOnceEachByItsOwnFinger(): void
    {
        self::$chrome->driver->get(self::$demo->url('/s/pads'));
        $this->sees('header', 'live');
        $boxes = array_map(fn(string $id): array => $this->box($id, '.field'), ['laser', 'ferns']);
        $at = static fn(array $shares): array => array_map(
            static fn(array $box, array $share, int $i): array => [
                'x' => $box[0] + $share[0] * $box[2],
                'y' => $box[1] + (1 - $share[1]) * $box[3],
                'id' => $i,
            ],
            $boxes,
            $shares,
            [0, 1],
        );
        $this->touch('touchStart', $at([[0.5, 0.5], [0.5, 0.5]]));
        $this->touch('touchMove', $at([[0.6, 0.6], [0.4, 0.6]]));
        $this->touch('touchMove', $at([[0.8, 0.7], [0.25, 0.9]]));
        $this->touch('touchEnd', []);
        $shown = 'return ["laser", "ferns"].flatMap((id) => [".below", ".beside"].map((one) => parseFloat(document.querySelector(`[data-control=${id}] ${one}`).textContent))).map((one) => Math.round(one)).join()';
        // 80 and 70 per cent; a quarter of 540 degrees and nine tenths of 270, from their middles.
        $this->untilScript($shown, '80,70,-135,108');
    }

    private function atGuide(): void
    {
        self::$chrome->driver->get(self::$demo->url('/s/guide'));
        self::$chrome->find('#code, [data-control]');
        if (self::$chrome->driver->executeScript('return document.querySelector("#code") !== null')) {
            foreach (str_split(FernhallSurfaces::CODE) as $digit) {
                self::$chrome->press($digit, '.keys');
            }
            self::$chrome->press('Enter', '.keys');
        }
        $this->sees('header', 'live');
    }

    private function press(string $control): void
    {
        self::$chrome->find("[data-control=\"{$control}\"] button")->click();
    }

    /** A finger rests on it for so long: the page's own clock is what ends it. */
    private function hold(string $css, int $milliseconds): void
    {
        $box = self::$chrome->driver->executeScript(
            'const box = document.querySelector(arguments[0]).getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]',
            [self::$chrome->find($css) ? $css : ''],
        );
        $this->touch('touchStart', [['x' => $box[0], 'y' => $box[1], 'id' => 0]]);
        self::$chrome->driver->executeAsyncScript(
            'const done = arguments[arguments.length - 1]; setTimeout(done, arguments[0])',
            [$milliseconds],
        );
        $this->touch('touchEnd', []);
    }

    /** @return array{float, float, float, float} left, top, width, height */
    private function box(string $control, string $within = '.control'): array
    {
        $css = "[data-control=\"{$control}\"] {$within}";
        self::$chrome->find($css);

        return self::$chrome->driver->executeScript(
            'const box = document.querySelector(arguments[0]).getBoundingClientRect(); return [box.x, box.y, box.width, box.height]',
            [$css],
        );
    }

    /** @param list<array{x: float, y: float, id: int}> $points */
    private function touch(string $type, array $points): void
    {
        (new ChromeDevToolsDriver(self::$chrome->driver))->execute('Input.dispatchTouchEvent', ['type' => $type, 'touchPoints' => $points]);
    }

    /** @return list<string> */
    private function faults(string $axe, string $where): array
    {
        self::$chrome->driver->executeScript($axe);
        $isWide = self::$chrome->driver->executeScript('return document.documentElement.scrollWidth > innerWidth');
        $faults = array_map(static fn(string $one): string => "{$where}: {$one}", self::$chrome->driver->executeAsyncScript(self::AXE));

        return $isWide ? [...$faults, "{$where}: wider than the screen"] : $faults;
    }
}
