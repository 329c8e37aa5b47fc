<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Chrome;
use NimbleJunction\Tests\Support\DemoStack;
use PHPUnit\Framework\TestCase;

/** The whole demo and a real browser, for all tests of one class. */
abstract class BrowserTestCase extends TestCase
{
    protected static DemoStack $demo;
    protected static Chrome $chrome;

    public static function setUpBeforeClass(): void
    {
        self::$demo = new DemoStack();
        try {
            self::$chrome = new Chrome();
            self::$chrome->login(self::$demo, 'builder');
            static::prepare();
        } catch (\Throwable $exception) {
            self::tearDownAfterClass();

            throw $exception;
        }
    }

    /** What the tests of a class need besides; where it fails, demo and browser end all the same. */
    protected static function prepare(): void
    {
    }

    public static function tearDownAfterClass(): void
    {
        try {
            isset(self::$chrome) && self::$chrome->quit();
        } finally {
            self::$demo->stop();
        }
    }

    protected function tearDown(): void
    {
        if ($this->status()->isFailure() || $this->status()->isError()) {
            self::$chrome->picture(Background::root().'/storage/logs/failed-'.$this->name().'.png');
            // What is open on the page is not in the way of the next one.
            self::$chrome->driver->executeScript('onbeforeunload = null');
            self::$chrome->driver->get(self::$demo->url('/'));
        }
    }

    protected function go(string $page): void
    {
        self::$chrome->press($page, 'nav.rail');
    }

    /** Moves a fader of a stand-in as a hand would. */
    protected function fader(string $label, float|int $value): void
    {
        $this->go('Stand-ins');
        $fader = self::$chrome->find("input[aria-label=\"{$label}\"]");
        self::$chrome->driver->executeScript(
            'arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event("input", {bubbles: true}))',
            [$fader, $value],
        );
    }

    protected function lamp(string $rack, int $number, int $level, float $seconds = Background::PATIENCE): void
    {
        $this->go('Stand-ins');
        $css = "[aria-label=\"{$rack}\"] [data-lamp=\"{$number}\"]";
        $shown = null;
        try {
            Background::until(static function () use ($css, $level, &$shown): bool {
                $shown = self::$chrome->driver->executeScript(
                    'return document.querySelector(arguments[0])?.dataset.level',
                    [$css],
                );

                return $shown === (string) $level;
            }, "Lamp {$number} of {$rack} at {$level}", $seconds);
        } catch (\RuntimeException $exception) {
            self::fail("{$exception->getMessage()} It is at {$shown}.");
        }
        $this->addToAssertionCount(1);
    }

    protected function sees(string $css, string $words, float $seconds = Background::PATIENCE): void
    {
        self::assertStringContainsString($words, self::$chrome->untilText($css, $words, $seconds));
    }

    /** What was edited is seen at once, and stored a moment later: whoever goes elsewhere before that takes it along. */
    protected function untilStored(): void
    {
        $this->untilScript('return document.querySelector("#main").dataset.stored', 'true');
    }

    /** Runs a script until it gives this. */
    protected function untilScript(string $script, string|int|bool $wanted, float $seconds = Background::PATIENCE): void
    {
        $seen = null;
        try {
            Background::until(static function () use ($script, $wanted, &$seen): bool {
                return ($seen = self::$chrome->driver->executeScript($script)) === $wanted;
            }, "\"{$wanted}\"", $seconds);
        } catch (\RuntimeException $exception) {
            self::fail("{$exception->getMessage()} It was ".json_encode($seen).'.');
        }
        $this->addToAssertionCount(1);
    }

    /** Away from a form that something was typed into. */
    protected function leave(): void
    {
        self::$chrome->press('Cancel', 'form');
        self::$chrome->press('Leave without saving', '.v-overlay--active .leave');
        $this->untilScript('return document.querySelector(".v-overlay--active") === null', true);
    }

    protected function key(string $keys): void
    {
        Background::until(static function () use ($keys): bool {
            try {
                self::$chrome->driver->getKeyboard()->sendKeys($keys);
            } catch (ElementNotInteractableException|StaleElementReferenceException) {
                // What had the focus is just going: nothing was typed.
                return false;
            }

            return true;
        }, 'Somebody taking keys');
    }

    /** Writes into a field of a form by its label. */
    protected function field(string $label, string $text): void
    {
        self::$chrome->fill('[id="'.$this->fieldId($label).'"]', $text);
    }

    /** Chooses from a list of a form by its label and the beginning of an option. */
    protected function choose(string $label, string $option): void
    {
        $id = $this->fieldId($label);
        $pressed = 0.0;
        Background::until(static function () use ($id, $option, &$pressed): ?bool {
            // A list that was just drawn may miss the first key: it is pressed again while none is open.
            if (microtime(true) - $pressed > 1.5 && self::$chrome->driver->executeScript(
                'return document.querySelector(".v-overlay--active .v-list") === null',
            )) {
                $pressed = microtime(true);
                self::$chrome->find("[id=\"{$id}\"]")->sendKeys(WebDriverKeys::ENTER);
            }

            return self::$chrome->driver->executeScript(
                'const found = [...document.querySelectorAll(".v-overlay--active .v-list-item")].find((one) => one.textContent.trim().startsWith(arguments[0])); found?.click(); return found ? true : null',
                [$option],
            );
        }, "The option {$option}");
    }

    /** Chooses from a plain list of the browser's own. */
    protected function select(string $css, string $value): void
    {
        (new WebDriverSelect(self::$chrome->find($css)))->selectByValue($value);
    }

    /** The process of the demo's engine; 0 while there is none. */
    protected function enginePid(): int
    {
        foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
            $command = (string) @file_get_contents($file);
            if (str_contains($command, "junction:engine\0") && str_contains(
                (string) @file_get_contents(\dirname($file).'/environ'),
                self::$demo->data,
            )) {
                return (int) basename(\dirname($file));
            }
        }

        return 0;
    }

    private function fieldId(string $label): string
    {
        return Background::until(
            static fn() => self::$chrome->driver->executeScript(
                'return [...document.querySelectorAll("main label")].find((one) => one.htmlFor && one.textContent.trim() === arguments[0])?.htmlFor',
                [$label],
            ),
            "The field {$label}",
        );
    }

    /** Out of whatever field is in use, so that keys are the page's. */
    private function blur(): void
    {
        self::$chrome->driver->executeScript('document.activeElement?.blur()');
    }

    /** Takes the last edit back, by the keys, and sees that it was this one. */
    protected function undo(string $what): void
    {
        $this->blur();
        $this->key(WebDriverKeys::CONTROL.'z'.WebDriverKeys::NULL);
        // The edit itself was told with the same words.
        $this->sees('.notice', "Undone: {$what}");
    }

    /** Does again what was taken back last, by the keys, and sees that it was this. */
    protected function redo(string $what): void
    {
        $this->blur();
        $this->key(WebDriverKeys::CONTROL.WebDriverKeys::SHIFT.'z'.WebDriverKeys::NULL);
        $this->sees('.notice', "Done again: {$what}");
    }
}
