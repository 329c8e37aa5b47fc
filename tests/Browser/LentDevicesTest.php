<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use NimbleJunction\Tests\Support\Background;

/** A keyboard and a stick plugged into this browser's computer, the Web MIDI and Gamepad APIs replaced in the page. */
final class LentDevicesTest extends BrowserTestCase
{
    private const LEND = '[aria-label="Lend devices"]';
    private const OUT_THERE = '[aria-label="Found on the network"]';

    protected static function prepare(): void
    {
        self::$chrome->before((string) file_get_contents(\dirname(__DIR__).'/Support/fake-devices.js'));
        self::$chrome->driver->navigate()->refresh();
        self::$chrome->find('main h1');
    }

    /** Each step stands on the one before: without the keyboard there is nothing to play. */
    public function testAKeyboardFromLendingToUnplugging(): void
    {
        $this->aKeyboardIsLentAndOneClickMakesAPortOfIt();
        $this->aKeyLightsALampAndTheLampLightsTheKey();
        $this->itIsLentAgainAfterAReloadAndMissedWhenUnplugged();
    }

    private function aKeyboardIsLentAndOneClickMakesAPortOfIt(): void
    {
        $this->go('Ports');
        self::$chrome->press('Show the MIDI devices here', self::LEND);
        $this->sees(self::LEND, 'Attic Keys');
        $this->sees(self::LEND, 'MIDI in and out');
        self::$chrome->press('Lend', self::LEND.' article');
        $this->sees(self::OUT_THERE, 'lent by builder');
        self::$chrome->press('Add as port', self::OUT_THERE);
        $this->sees('.row-button[aria-current="true"]', 'Attic Keys');
        $this->sees('aside.panel', 'lent by a page Attic Keys');
        $this->script('keys.play(0x90, 60, 100)');
        $this->sees('aside.panel', 'note 60 (C4) on channel 1, velocity 100, from builder');
        $this->sees('aside.panel', 'open this page there, Ports, Lend devices');
    }

    private function aKeyLightsALampAndTheLampLightsTheKey(): void
    {
        $this->route('Key to lamp', 'A message sets a slot', 'Note');
        $this->sees(
            'aside.panel',
            'When note 60 (C4) on channel 1 arrives on Attic Keys, set slot 10 of Palm House: its velocity, 0 to 127, becomes level 0 to 255.',
        );
        $this->script('keys.play(0x90, 60, 100)');
        $this->lamp('Palm House dimmers', 10, 201);
        $this->route('Lamp to light', 'A slot sends a message', 'Controller');
        $this->script('keys.play(0x90, 60, 50)');
        $this->lamp('Palm House dimmers', 10, 100);
        // 100 of 255 on the way back is 50 of 127.
        $this->untilScript('return JSON.stringify(keys.lit().at(-1) ?? null)', '[176,60,50]');
    }

    private function itIsLentAgainAfterAReloadAndMissedWhenUnplugged(): void
    {
        self::$chrome->driver->navigate()->refresh();
        $this->go('Ports');
        self::$chrome->press('Attic Keys', '.list');
        $this->sees(self::LEND.' article', 'Lent');
        $this->sees(self::OUT_THERE, 'lent by builder');
        $this->script('keys.play(0x90, 60, 127)');
        $this->lamp('Palm House dimmers', 10, 255);
        $this->go('Ports');
        self::$chrome->press('Attic Keys', '.list');
        $this->script('keys.unplug()');
        $this->sees('aside.panel', 'No page lends "Attic Keys" now');
        $this->sees('.row-button[aria-current="true"]', 'fault');
        $this->lamp('Palm House dimmers', 10, 255);
        $this->script('keys.plugIn()');
        $this->script('keys.play(0x80, 60, 0)');
        $this->lamp('Palm House dimmers', 10, 0);
    }

    public function testAStickIsCalibratedAndItsLastValueStaysWhenItIsUnplugged(): void
    {
        $this->go('Ports');
        $this->script('stick.plugIn()');
        $this->sees(self::LEND, 'Glass Stick');
        $this->sees(self::LEND, 'axes 0.10 0.00');
        self::$chrome->press('Lend', self::LEND.' article:last-of-type');
        $this->sees(self::OUT_THERE, 'Game controller, lent by builder');
        self::$chrome->press('Add as port', self::OUT_THERE);
        $this->sees('.row-button[aria-current="true"]', 'Glass Stick');
        self::$chrome->press('Change', 'aside.panel');
        self::$chrome->press('take these as its centres', 'form');
        $this->sees('form', 'Axes rest at 0.1, 0.');
        $this->field('Dead zone, 0 to 0.9 of the way', '0.2');
        self::$chrome->press('Save', 'form');
        $this->sees('aside[aria-label="Port"]', 'Check connection');
        $this->script('stick.move(0, 1)');
        $this->sees('.row-button[aria-current="true"]', 'axis 1 at 1');
        // What was stored runs a moment later: until then a movement is read by the centres of before.
        Background::until(function (): bool {
            $this->script('stick.move(0, 1)');
            $this->sees('.row-button[aria-current="true"]', 'axis 1 at 1');
            $this->script('stick.move(0, 0.25)');
            $this->sees('.row-button[aria-current="true"]', 'axis 1 at 0');

            return str_contains(self::$chrome->find('.row-button[aria-current="true"]')->getText(), 'axis 1 at 0,');
        }, 'The new centres being used');
        $this->script('stick.press(1)');
        $this->sees('.row-button[aria-current="true"]', 'button 1 at 1');
        $this->script('stick.unplug()');
        $this->sees('.row-button[aria-current="true"]', 'The game controller "Glass Stick" is not there');
        $this->sees('.row-button[aria-current="true"]', 'The last values stay.');
    }

    /** A route between note or controller 60 of the keyboard and slot 10 of Palm House, made in the form. */
    private function route(string $name, string $way, string $kind): void
    {
        $this->go('Routes');
        self::$chrome->press('Add a route', '.page-head');
        $this->field('Name', $name);
        $this->choose('What it does', $way);
        $this->choose('Port', 'Attic Keys');
        $this->choose('Kind of message', $kind);
        $this->field($kind === 'Note' ? 'Note, 0 to 127' : 'Controller, 0 to 127', '60');
        $this->field('Slot, 1 to 512', '10');
        self::$chrome->press('Add the route', 'form');
        $this->sees('.row-button[aria-current="true"]', $name);
    }

    private function script(string $script): void
    {
        self::$chrome->driver->executeScript($script);
    }
}
