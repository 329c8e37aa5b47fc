<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Tests\Support\Background;

/** What a builder changes, what the page says when it does not fit, and what others may not do. */
final class BuildingTest extends BrowserTestCase
{
    /** It is one port. */
    public function testAPortFromItsFormToItsReturn(): void
    {
        $this->aWrongPortIsRefusedAtItsFieldAndARightOneListensAtOnce();
        $this->aPortIsSwitchedOffDeletedAndBroughtBack();
    }

    private function aWrongPortIsRefusedAtItsFieldAndARightOneListensAtOnce(): void
    {
        $this->go('Ports');
        self::$chrome->press('Add a port', '.page-head');
        self::$chrome->fill('form[aria-label="Port"] input[type=text]', 'Attic console');
        $this->choose('Protocol', 'OSC');
        $this->field('Our receive port (UDP)', '70000');
        self::$chrome->press('Add the port', 'form');
        $this->sees('form[aria-label="Port"]', 'Use a whole number from 1 to 65535');
        $this->field('Our receive port (UDP)', '8055');
        self::$chrome->press('Add the port', 'form');
        $this->sees('.row-button[aria-current="true"]', 'Attic console');
        $this->sees('aside.panel', '8055');
        $this->sees('.row-button[aria-current="true"]', 'nothing yet');
        $socket = stream_socket_client('udp://127.0.0.1:8055');
        fwrite($socket, "/hello\0\0,i\0\0\0\0\0\x07");
        $this->sees('.row-button[aria-current="true"]', '/hello 7');
        fclose($socket);
    }

    private function aPortIsSwitchedOffDeletedAndBroughtBack(): void
    {
        self::$chrome->press('Switch off', 'aside.panel');
        $this->sees('.row-button[aria-current="true"]', 'off');
        self::$chrome->press('Delete', 'aside.panel');
        $this->sees('aside.panel', 'Delete "Attic console"?');
        self::$chrome->press('Delete it', 'aside.panel');
        Background::until(
            static fn(): bool => ! str_contains(self::$chrome->find('.list')->getText(), 'Attic console'),
            'The port being gone',
        );
        self::$chrome->find('h1')->click();
        $this->key(WebDriverKeys::CONTROL.'z'.WebDriverKeys::NULL);
        $this->sees('.list', 'Attic console');
        $this->sees('.notice', 'delete port "attic-console"');
    }

    public function testAnEditOfTheShowNeverMakesALampBlink(): void
    {
        $this->fader('House desk fader 1', 222);
        $this->lamp('Palm House dimmers', 1, 222);
        self::$chrome->driver->executeScript(<<<'JS'
            window.levels = new Set()
            new MutationObserver(() => { for (const lamp of document.querySelectorAll('[aria-label="Palm House dimmers"] [data-lamp="1"]')) window.levels.add(lamp.dataset.level) })
                .observe(document.body, { subtree: true, attributes: true, attributeFilter: ['data-level'] })
            JS);
        for ($i = 0; $i < 5; ++$i) {
            $status = self::$chrome->driver->executeAsyncScript(
                'const done = arguments[1]; const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]+)/) ?? ["", ""])[1]); fetch("/api/show", { method: "PATCH", headers: { "Content-Type": "application/json", Accept: "application/json", "X-XSRF-TOKEN": token }, body: JSON.stringify({ name: arguments[0] }) }).then(async (answer) => done([answer.status, (await answer.json()).notice]))',
                ["Night Walk {$i}"],
            );
            self::assertSame([200, null], $status, 'stored, and in force in the engine');
        }
        $this->openTraceUntil('The show "Night Walk 4" is running');
        $this->go('Overview');
        $this->sees('h1', 'Night Walk 4');
        $this->go('Stand-ins');
        self::assertSame(
            [],
            array_values(array_diff(self::$chrome->driver->executeScript('return [...window.levels]'), ['222'])),
        );
    }

    public function testAWrongShowDocumentIsRefusedWithItsPath(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'junction-wrong-');
        file_put_contents(
            $file,
            '{"format": "nimble-junction/show", "version": 1, "name": "Wrong", "universes": [], "ports": [], "routes": [], "colour": "red"}',
        );
        try {
            $this->go('Show');
            self::$chrome->find('section:not(.shelf) input[type=file]')->sendKeys($file);
            self::$chrome->press('Replace', '.page');
            $this->sees('.page', '/colour');
            $this->sees('.page', 'this field is not known here');
            $this->go('Ports');
            $this->sees('.list', 'House desk');
        } finally {
            unlink($file);
        }
    }

    public function testAViewerSeesEverythingAndIsOfferedNoChange(): void
    {
        self::$chrome->logout();
        self::$chrome->login(self::$demo, 'viewer');
        $this->go('Ports');
        $this->sees('.list', 'House desk');
        self::assertStringNotContainsString('Add a port', self::$chrome->find('.page-head')->getText());
        $this->go('Universes');
        self::$chrome->find('[data-slot="1"]')->click();
        $this->sees('[aria-label="Slot"]', 'Slot 1');
        $this->key('99'.WebDriverKeys::ENTER);
        $this->go('Stand-ins');
        self::assertNotNull(self::$chrome->find('[aria-label="House desk"] button')->getAttribute('disabled'));
        $this->sees('header.strip', 'nothing held');
    }

    private function openTraceUntil(string $words): void
    {
        $handle = self::$chrome->find('button.handle');
        if ($handle->getAttribute('aria-expanded') !== 'true') {
            $handle->click();
        }
        $this->sees('section.drawer', $words, 30);
        $handle->click();
    }
}
