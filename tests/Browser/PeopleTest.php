<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use NimbleJunction\Tests\Support\Background;
use Symfony\Component\Process\Process;

/** Somebody is let in by a builder; what they may changes while their page is open, and ends. */
final class PeopleTest extends BrowserTestCase
{
    public function testSomebodyIsAddedMayLessAndMayNothingAnyMoreWhileTheirPageIsOpen(): void
    {
        self::$chrome->press('builder', '.who');
        $this->sees('[aria-label="Who may log in"]', 'operator');
        self::$chrome->press('Remove', 'li:first-child');
        self::$chrome->press('Remove builder?', 'li:first-child');
        $this->sees('[role=alert]', '"builder" is the only builder');
        $this->field('Name', 'Ada Fern');
        $this->field('Password, 8 letters at least', 'fern-and-moss');
        self::$chrome->press('Add', 'form[aria-label="Add somebody"]');
        $this->sees('p[role=status]', 'Ada Fern may log in as operator.');
        self::$chrome->logout();
        self::$chrome->driver->get(self::$demo->url('/login'));
        $this->field('Name', 'Ada Fern');
        $this->field('Password', 'fern-and-moss');
        self::$chrome->press('Log in', 'form');
        $this->sees('.who', 'Ada Fern, operator');
        self::$chrome->driver->get(self::$demo->url('/live'));
        $this->untilScript('return document.querySelector("header.strip button")?.disabled ?? true', false);
        // At the machine it is said that she only looks from now on: her page knows it, and is not loaded anew for that.
        self::$chrome->driver->executeScript('window.stays = true');
        $this->user('Ada Fern', '--role=viewer');
        $this->sees('.who', 'Ada Fern, viewer');
        self::assertTrue(self::$chrome->driver->executeScript('return window.stays === true'));
        self::$chrome->driver->get(self::$demo->url('/people'));
        $this->sees('main', 'Your own password');
        self::assertStringNotContainsString('Add somebody', self::$chrome->find('main')->getText());
        $this->field('The one of now', 'fern-and-moss');
        $this->field('Another one, 8 letters at least', 'moss-and-fern');
        self::$chrome->press('Change it', 'form');
        $this->sees('p[role=status]', 'You have another password');
        // And then she may nothing: her page asks who is there.
        $this->user('Ada Fern', '--remove');
        $this->sees('main', 'Log in');
        $this->untilScript('return location.pathname', '/login');
    }

    private function user(string $name, string ...$options): void
    {
        (new Process(
            [PHP_BINARY, 'artisan', 'junction:user', $name, ...$options],
            Background::root(),
            self::$demo->environment(),
            timeout: 60,
        ))->mustRun();
    }
}
