<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\LiveLink;
use Symfony\Component\Process\Process;

/** Many hands in one show: the history, others' edits, both values side by side, several shows. */
final class EditingTest extends BrowserTestCase
{
    public function testTheHistorySaysWhoDidWhatAndGoesBackToAPointWithAName(): void
    {
        $this->command('set', '/ports/house-desk/name', 'Desk of the house');
        $this->command('set', '/name', 'Fernhall Glasshouse, Day Walk');
        $this->go('History');
        $this->sees('.station', 'operator');
        self::$chrome->press('set /ports/house-desk/name', '.line');
        $this->sees('aside[aria-label="Edit"]', '"House desk"');
        $this->sees('aside[aria-label="Edit"]', '"Desk of the house"');
        $this->field('Name of this point', 'Before the talk');
        self::$chrome->press('Name it', 'aside');
        $this->sees('.station.named', 'Before the talk: set /ports/house-desk/name');
        self::$chrome->press('Go back to here', 'aside');
        $this->sees('aside .ask', '"Fernhall Glasshouse, Night Walk"');
        self::$chrome->press('Go back', 'aside .ask');
        $this->sees('.line', 'go back to "Before the talk"');
        $this->sees('.page-head', 'Fernhall Glasshouse, Night Walk');
        $this->key(\Facebook\WebDriver\WebDriverKeys::CONTROL.'z'.\Facebook\WebDriver\WebDriverKeys::NULL);
        $this->sees('.notice', 'Undone: go back to "Before the talk" (by builder).');
        $this->sees('.page-head', 'Fernhall Glasshouse, Day Walk');
        self::$chrome->press('set /ports/house-desk/name', '.line');
        self::$chrome->press('Undo this edit alone', 'aside');
        $this->sees('.station.gone', '(undone)');
        self::$chrome->press('set /name', '.line');
        self::$chrome->press('Undo this edit alone', 'aside');
        $this->sees('.page-head', 'Fernhall Glasshouse, Night Walk');
    }

    public function testWhatOthersChangeShowsAtOnceAndBothValuesAreChosenFrom(): void
    {
        $this->go('Ports');
        self::$chrome->press('Guest desk', '.page');
        self::$chrome->press('Change', 'aside.panel');
        self::$chrome->fill('form[aria-label="Port"] input[type=text]', 'Mine');
        $this->command('set', '/ports/guest-desk/name', 'Theirs');
        $this->command('set', '/ports/guest-desk/receive/lastResort', 'true');
        $this->sees('.page', 'Theirs');
        self::$chrome->press('Save', 'form');
        $this->sees('[aria-label="Both values"]', 'Changed by operator meanwhile');
        $rows = self::$chrome->driver->executeScript(
            'return [...document.querySelectorAll("[aria-label=\'Both values\'] tbody tr")].map((row) => [...row.children].map((cell) => cell.textContent.trim()).join(" | "))',
        );
        self::assertEqualsCanonicalizing(
            ['name | Guest desk | Theirs | Mine', 'receive, lastResort | not there | true | not there'],
            $rows,
        );
        self::$chrome->press('Save what is chosen', '[aria-label="Both values"]');
        $this->sees('.row-button[aria-current="true"]', 'Mine');
        self::assertSame(
            ['"Mine"', 'true'],
            [$this->command('get', '/ports/guest-desk/name'), $this->command('get', '/ports/guest-desk/receive/lastResort')],
            'mine where both have changed it, theirs where only they have',
        );
    }

    public function testOthersAreSeenWithWhereTheyAre(): void
    {
        $key = (string) getenv('APP_KEY');
        putenv('APP_KEY='.self::$demo->environment()['APP_KEY']);
        $this->go('Ports');
        $ada = new LiveLink(
            self::$demo->port + 1,
            Role::Operator,
            [['do' => 'stand', 'place' => 'Ports: Change House desk'], ['do' => 'subscribe', 'topics' => ['present']]],
            8,
        );
        try {
            $this->sees('header.strip .people', 'Ada: Ports: Change House desk');
            self::$chrome->press('House desk', '.page');
            self::$chrome->press('Change', 'aside.panel');
            $this->sees('form[aria-label="Port"]', 'Ada has this form open too.');
            // Others are told three times a second: what is over sooner than that nobody has seen.
            $begin = microtime(true);
            Background::until(static fn(): bool => microtime(true) - $begin > 0.8, 'two rounds of who is here');
            self::$chrome->press('Cancel', 'form');
            $heard = $ada->heard()['present'];
            $places = array_merge(...array_map(static fn(array $one): array => array_column($one['people'], 'place'), $heard));
            self::assertContains('Ports: Change House desk', $places);
            $this->untilScript('return String(document.querySelector("header.strip .people") === null)', 'true');
        } finally {
            $ada->stop();
            putenv("APP_KEY={$key}");
        }
    }

    public function testAnotherShowIsOpenedAfterItIsSaidWhatThatChangesForThePorts(): void
    {
        $this->go('Show');
        $this->sees('.shelf', 'Ready 1');
        self::$chrome->press('Add an empty show', '.shelf');
        $this->field('Name', 'Rehearsal room');
        self::$chrome->press('Add the show', '.naming');
        $this->sees('.shelf', 'Rehearsal room');
        self::$chrome->press('Open', '.shelf li:nth-child(2)');
        $this->sees('.shelf .ask', 'Ports that close (14)');
        self::$chrome->press('Open', '.shelf .ask');
        $this->sees('.shelf', 'Rehearsal room, open');
        $this->untilScript('return String(document.querySelectorAll("header.strip .port").length)', '0');
        self::$chrome->press('Open', '.shelf li:nth-child(2)');
        $this->sees('.shelf .ask', 'Ports that open (14)');
        self::$chrome->press('Open', '.shelf .ask');
        $this->sees('.shelf', 'Fernhall Glasshouse, Night Walk, open');
        self::$chrome->press('Delete', '.shelf li:nth-child(2)');
        $this->sees('.shelf', 'Deleted 1');
        self::$chrome->press('Deleted 1', '.shelf');
        self::$chrome->press('Bring back', '.shelf');
        $this->sees('.shelf', 'Ready 2');
    }

    private function command(string ...$words): string
    {
        $ask = new Process(
            [PHP_BINARY, 'artisan', 'junction:show', ...$words, '--as=operator'],
            Background::root(),
            self::$demo->environment(),
            null,
            120,
        );

        return trim($ask->mustRun()->getOutput());
    }
}
