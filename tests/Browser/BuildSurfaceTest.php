<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** A surface is built: controls on a grid, bound by touching what they are to move, tried, and used. */
final class BuildSurfaceTest extends BrowserTestCase
{
    public function testASurfaceIsBuiltBoundByLearnTriedAndUsed(): void
    {
        $this->go('Surfaces');
        self::$chrome->press('Add a surface', '.page-head');
        $this->field('Name', 'Rope');
        self::$chrome->press('Add the surface', 'form');
        $this->sees('[aria-label="Surface"]', '/s/rope');
        $this->sees('[aria-label="Pass code"]', 'There is none yet');
        self::$chrome->fill('[aria-label="New pass code"]', '7345'.WebDriverKeys::ENTER);
        $this->sees('[aria-label="Pass code"]', 'From now on this code is asked for');
        self::$chrome->press('Build', '[aria-label="Surface"]');
        self::$chrome->press('Button', '.kinds');
        self::$chrome->press('Fader', '.kinds');
        $this->untilScript('return document.querySelectorAll(".grip").length', 2);
        $this->pick('Button');
        $this->bindByLearning();
        $this->untilScript('return [...document.querySelectorAll(".grid .words")].some((one) => one.textContent.includes("Moss"))', true);
        // What was filled in is not lost when another control is chosen.
        $this->pick('Fader');
        $this->field('Name', 'Level');
        $this->pick('Moss');
        $this->untilScript(
            'return [...document.querySelectorAll(".grip")].map((one) => one.getAttribute("aria-label")).join()',
            'Moss, button,Level, fader',
        );
        self::$chrome->press('Try it', '.page-head');
        foreach ([true, false, true] as $isOn) {
            $this->untilScript('return document.querySelector("[data-control=button] .plate").classList.contains("on")', $isOn);
            self::$chrome->find('[data-control="button"] button')->click();
        }
        self::$chrome->driver->get(self::$demo->url('/s/rope'));
        $this->untilScript('return document.querySelector("[data-control=button] .plate")?.classList.contains("on")', false);
    }

    public function testControlsAreMovedSizedDuplicatedAndRemovedByKeysAndTakenBack(): void
    {
        self::$chrome->driver->get(self::$demo->url('/surfaces-build/door'));
        $this->pick('Wake the lanterns');
        $this->key(WebDriverKeys::SHIFT.WebDriverKeys::ARROW_LEFT.WebDriverKeys::NULL);
        $this->place('wake', '1 / span 2', '2 / span 2');
        $this->key(WebDriverKeys::ARROW_RIGHT);
        $this->place('wake', '2 / span 2', '2 / span 2');
        $this->key(WebDriverKeys::ARROW_RIGHT);
        $this->sees('[role=alert]', 'There is no room for that');
        $this->key(WebDriverKeys::SHIFT.WebDriverKeys::ARROW_UP.WebDriverKeys::NULL);
        $this->place('wake', '2 / span 2', '2 / span 1');
        $this->key(WebDriverKeys::CONTROL.'d'.WebDriverKeys::NULL);
        $this->place('wake-2', '1 / span 2', '3 / span 1');
        $this->key(WebDriverKeys::DELETE);
        $this->untilScript('return document.querySelector("[data-control=wake-2]") === null', true);
        for ($i = 0; $i < 5; ++$i) {
            $this->key(WebDriverKeys::CONTROL.'z'.WebDriverKeys::NULL);
        }
        $this->place('wake', '1 / span 3', '2 / span 2');
    }

    public function testADragMovesAControlAndATemplateAddsPages(): void
    {
        self::$chrome->driver->get(self::$demo->url('/surfaces-build/guide/pond'));
        $this->pick('Drift rate');
        [$x, $y] = self::$chrome->driver->executeScript(
            'const box = document.querySelector("[aria-label^=\"Drift rate\"]").getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]',
        );
        $field = self::$chrome->driver->executeScript('return document.querySelector(".screen .grid").getBoundingClientRect().height / 7');
        self::$chrome->press('Notes', '.kinds');
        $this->sees('[role=alert]', 'There is no room on this page');
        self::$chrome->driver->executeScript('const grip = document.querySelector("[aria-label^=\"Notes\"].grip"); grip.focus()');
        $this->key(WebDriverKeys::DELETE);
        $this->untilScript('return document.querySelectorAll(".grip").length', 4);
        $this->drag('[aria-label^="Drift rate"].grip', $x, $y, $x, $y + $field);
        $this->place('rate', '3 / span 2', '7 / span 1');
        self::$chrome->press('Templates', '.kinds');
        self::$chrome->press('Add', 'form[aria-label="Templates"]');
        self::$chrome->press('Add pages', 'form[aria-label="Templates"]');
        self::$chrome->press('Faders', 'nav.tabs');
        $this->untilScript('return document.querySelectorAll(".grip").length', 8);
    }

    public function testAPageHasALayoutOfItsOwnForTheOtherOrientationAndIsLocked(): void
    {
        self::$chrome->driver->get(self::$demo->url('/surfaces-build/door'));
        self::$chrome->find('.grip');
        self::$chrome->press('Page settings', '.page-head');
        $this->choose('On a screen of the other orientation', 'in a layout of its own');
        $this->sees('form[aria-label="Page"]', 'what is built there is that layout');
        $this->select('.page-head select', 'Tablet, lying');
        $this->sees('.around', 'This is the page\'s own layout for this orientation.');
        $this->pick('Wake the lanterns');
        $this->key(WebDriverKeys::SHIFT.WebDriverKeys::ARROW_LEFT.WebDriverKeys::NULL);
        $this->place('wake', '1 / span 2', '2 / span 2');
        $this->select('.page-head select', 'As built');
        $this->place('wake', '1 / span 3', '2 / span 2');
        self::$chrome->press('Lock', '.page-head');
        $this->sees('.middle', 'Locked: its pages stay as they are');
        $this->untilScript('return document.querySelectorAll(".grip").length', 0);
        $this->untilStored();
        foreach ([[1180, 820, '1 / span 2'], [820, 1180, '1 / span 3']] as [$width, $height, $column]) {
            self::$chrome->size($width, $height);
            self::$chrome->driver->get(self::$demo->url('/s/door'));
            $this->place('wake', $column, '2 / span 2');
        }
        self::$chrome->size(1280, 800);
        self::$chrome->driver->get(self::$demo->url('/surfaces-build/door'));
        self::$chrome->press('Unlock', '.page-head');
        self::$chrome->find('.grip');
    }

    public function testAPointIsChosenFromAllThatTheShowHas(): void
    {
        self::$chrome->driver->get(self::$demo->url('/surfaces-build/guide'));
        $this->pick('Dusk');
        self::$chrome->press('Choose', 'form[aria-label="Control"]');
        self::$chrome->press('Masters', '.palette');
        self::$chrome->fill('.palette input', 'black');
        self::$chrome->press('Blackout', '.palette');
        self::$chrome->press('Save', 'form[aria-label="Control"]');
        $this->untilScript('return document.querySelector("[data-control=dusk] .words").textContent.trim()', 'Blackout');
    }

    private function pick(string $name): void
    {
        self::$chrome->find("[aria-label^=\"{$name}\"].grip")->click();
        $this->sees('form[aria-label="Control"]', $name);
    }

    private function bindByLearning(): void
    {
        $this->field('Name', 'Moss');
        self::$chrome->press('Add', '[aria-label="Points"]');
        self::$chrome->press('Learn', 'form[aria-label="Control"]');
        $window = self::$chrome->driver->getWindowHandle();
        self::$chrome->driver->switchTo()->newWindow();
        self::$chrome->driver->get(self::$demo->url('/live'));
        self::$chrome->press('Moss', '.plates');
        self::$chrome->driver->close();
        self::$chrome->driver->switchTo()->window($window);
        self::$chrome->press('Look Moss', '.learn');
        self::$chrome->press('Save', 'form[aria-label="Control"]');
    }

    private function place(string $control, string $column, string $row): void
    {
        $this->untilScript(
            "const style = document.querySelector('[data-control=\"{$control}\"]')?.style; return style ? `\${style.gridColumn}, \${style.gridRow}` : ''",
            "{$column}, {$row}",
        );
    }

    private function drag(string $css, float $x, float $y, float $toX, float $toY): void
    {
        self::$chrome->driver->executeScript(<<<'JS'
            const [css, x, y, toX, toY] = arguments
            const grip = document.querySelector(css)
            grip.setPointerCapture = () => {}
            const tell = (type, clientX, clientY) => grip.dispatchEvent(new PointerEvent(type, { clientX, clientY, bubbles: true, pointerId: 1 }))
            tell('pointerdown', x, y)
            tell('pointermove', toX, toY)
            tell('pointerup', toX, toY)
            JS, [$css, $x, $y, $toX, $toY]);
    }
}
