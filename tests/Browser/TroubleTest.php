<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use NimbleJunction\Tests\Support\Background;
use Symfony\Component\Process\Process;

/** What the page says when the engine is in trouble, or somebody else has saved meanwhile. */
final class TroubleTest extends BrowserTestCase
{
    /** It hangs, with all its connections standing: nobody knows how the ports are, and nothing is called alive. */
    public function testAnEngineThatHangsLeavesNothingAlive(): void
    {
        $alive = 'return String(document.querySelectorAll(".mark.alive").length)';
        $this->go('Ports');
        $this->untilScript('return String(document.querySelectorAll(".mark.alive").length > 3)', 'true');
        $pid = $this->enginePid();
        posix_kill($pid, SIGSTOP);
        try {
            $this->sees('header.strip', 'Engine lost, coming back');
            $this->untilScript($alive, '0');
            $this->sees('.row-button', 'not known');
            $this->go('Overview');
            $this->untilScript($alive, '0');
        } finally {
            posix_kill($pid, SIGCONT);
        }
        $this->sees('header.strip', 'Engine alive');
        $this->untilScript('return String(document.querySelectorAll(".mark.alive").length > 3)', 'true');
    }

    public function testWhatIsWrongWithTheEngineItselfStandsOnEveryPageUntilItIsOver(): void
    {
        // Where the engine writes its state down there is something in the way.
        $inTheWay = self::$demo->data.'/engine-state.next';
        Background::until(static fn(): bool => @mkdir($inTheWay), 'Something in the way');
        $this->sees('header.strip', '1 warning');
        self::$chrome->press('1 warning', 'header.strip');
        $this->sees('#engine-warnings', 'Levels and holds cannot be kept for a restart');
        $this->sees('#engine-warnings', 'The show goes on.');
        $this->sees('#engine-warnings', 'compiled (opcache.jit=1054)');
        $this->go('Universes');
        $this->sees('header.strip', '1 warning');
        rmdir($inTheWay);
        $this->untilScript('return String(document.querySelector("header.strip").textContent.includes("warning"))', 'false');
    }

    public function testAnOlderFormSaysWhatTheOtherHasChangedAndKeepsWhatWasTyped(): void
    {
        $this->go('Ports');
        self::$chrome->press('House desk', '.page');
        self::$chrome->press('Change', 'aside.panel');
        self::$chrome->fill('form[aria-label="Port"] input[type=text]', 'Mine');
        $code = 'require "vendor/autoload.php"; $app = require "bootstrap/app.php"; $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();'
            .'app(App\Shows\ShowStore::class)->change("rename it", App\Models\User::query()->where("name", "operator")->first(), static function (array $d): array { foreach ($d["ports"] as &$p) { if ($p["id"] === "house-desk") { $p["name"] = "Theirs"; } } return $d; });';
        (new Process([PHP_BINARY, '-r', $code], Background::root(), self::$demo->environment(), null, 180))->mustRun();
        $this->sees('.page', 'Theirs');
        self::$chrome->press('Save', 'form');
        $this->sees(
            'form[aria-label="Port"]',
            '"House desk" has been changed meanwhile, by operator (rename it): name was "House desk" and is "Theirs". Nothing was stored.',
        );
        $this->untilScript('return document.querySelector("form[aria-label=Port] input[type=text]").value', 'Mine');
        self::$chrome->press('Save', 'form');
        $this->sees('.row-button[aria-current="true"]', 'Mine');
        $this->go('Show');
        $this->sees('.page', 'The last edit: change port "Mine", by builder.');
        self::$chrome->press('Undo it', '.page');
        $this->sees('.notice', 'Undone: change port "Mine" (by builder).');
        $this->sees('.page', 'The last edit: rename it, by operator.');
    }
}
