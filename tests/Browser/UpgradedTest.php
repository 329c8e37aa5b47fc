<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use NimbleJunction\Tests\Support\Background;

/** Pages that were open while another version was installed: they begin with a script that has gone from the server. */
final class UpgradedTest extends BrowserTestCase
{
    private const OF_BEFORE = 'document.querySelector(\'script[src*="/build/assets/"]\').src = "/build/assets/main-before.js";'
        .'window.isOfBefore = true;';

    public function testAPageOfBeforeSaysSoAndIsLoadedAnewByHand(): void
    {
        self::$chrome->driver->get(self::$demo->url('/ports'));
        $this->sees('header.strip', 'Engine alive');
        self::$chrome->driver->executeScript(self::OF_BEFORE);
        $this->beginTheEngineAgain();
        $this->sees('header.strip', 'Newer version');
        self::$chrome->press('Newer version', 'header.strip');
        $this->untilScript('return window.isOfBefore === undefined', true);
        $this->sees('header.strip', 'Engine alive');
        $this->beginTheEngineAgain();
        // It has asked what stands at its address now, and found itself.
        $this->untilScript(
            'return performance.getEntriesByType("resource").some((one) => one.initiatorType === "fetch" && one.name === location.href)',
            true,
        );
        self::assertStringNotContainsString('Newer version', self::$chrome->find('header.strip')->getText());
    }

    public function testAPageWhoseScriptHasGoneIsLoadedWholeAndThenSaysSo(): void
    {
        $tools = new ChromeDevToolsDriver(self::$chrome->driver);
        self::$chrome->driver->get(self::$demo->url('/ports'));
        $this->sees('header.strip', 'Engine alive');
        $tools->execute('Network.enable');
        $tools->execute('Network.setBlockedURLs', ['urls' => ['*/assets/HistoryPage-*.js']]);
        self::$chrome->driver->executeScript('window.isOfBefore = true');
        try {
            $this->go('History');
            $this->untilScript('return window.isOfBefore === undefined', true);
            $this->sees('body', 'The page /history does not come from the server.');
        } finally {
            $tools->execute('Network.setBlockedURLs', ['urls' => []]);
        }
        self::$chrome->driver->get(self::$demo->url('/history'));
        $this->sees('main', 'History');
    }

    public function testASurfaceLoadsItselfAnewWhenNobodyTouchesIt(): void
    {
        self::$chrome->driver->get(self::$demo->url('/s/guide'));
        $this->sees('header', 'live');
        self::$chrome->driver->executeScript(self::OF_BEFORE);
        $this->beginTheEngineAgain();
        $this->untilScript('return window.isOfBefore === undefined', true);
        $this->sees('header', 'live');
    }

    /** As an upgrade does. */
    private function beginTheEngineAgain(): void
    {
        $pid = $this->enginePid();
        posix_kill($pid, \SIGTERM);
        Background::until(fn(): bool => ! \in_array($this->enginePid(), [0, $pid], true), 'another engine');
        $isSurface = self::$chrome->driver->executeScript('return location.pathname.startsWith("/s/")');
        $this->sees('header', $isSurface ? 'live' : 'Engine alive');
    }
}
