<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** Lists: found by typing, several at once, out and in as a table, copied from one place to another. */
final class ListsTest extends BrowserTestCase
{
    private const LIST = '[aria-label="ports"]';
    private const BAR = '[aria-label="What is selected"]';

    public function testAListIsSearchedFilteredAndOrdered(): void
    {
        $this->go('Ports');
        $this->sees(self::LIST.' .count', '14');
        self::$chrome->fill('[aria-label="Search ports"]', 'desk 127.77');
        $this->sees(self::LIST.' .count', '3 of 14');
        $this->rows(['House desk', 'Guest desk', 'Cue desk']);
        self::$chrome->fill('[aria-label="Search ports"]', 'nothing has this');
        $this->sees(self::LIST, 'None of 14 ports has this.');
        self::$chrome->press('Show all', self::LIST);
        $order = static fn(string $column) => self::$chrome->driver->executeScript(
            'const select = [...document.querySelectorAll(".list-head select")].at(-1); select.value = arguments[0]; select.dispatchEvent(new Event("change"))',
            [$column],
        );
        $order('name');
        $this->untilScript('return document.querySelector("[data-row] strong").textContent', 'Balcony node');
        $order('receive/port');
        $this->untilScript('return document.querySelector("[data-row] .ordered").textContent', '5004');
        $order('');
    }

    public function testSeveralAreSelectedByKeysChangedAndUndoneTogether(): void
    {
        $this->go('Ports');
        self::$chrome->press('House desk', self::LIST);
        self::$chrome->find('[data-row="house-desk"]')->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_DOWN]);
        $this->sees(self::BAR, '2 ports selected');
        self::$chrome->press('Switch off', self::BAR);
        $this->sees('[data-row="guest-desk"]', 'off');
        $this->sees('[data-row="house-desk"]', 'off');
        self::$chrome->press('Change a field', self::BAR);
        self::$chrome->driver->executeScript(
            'const select = document.querySelector(".selection select"); select.value = "allow"; select.dispatchEvent(new Event("change"))',
        );
        $this->field('Listen only to these addresses', '127.77.0.99');
        self::$chrome->press('Set it on 2 ports', self::BAR);
        $this->sees('aside.panel', 'House desk');
        // Only what is stored is the last step.
        $this->untilScript(
            'const asked = new XMLHttpRequest(); asked.open("GET", "/api/show", false); asked.send(); return asked.responseText.includes("127.77.0.99")',
            true,
        );
        self::$chrome->press('Select none', self::BAR);
        $this->undo('change 2 ports: allow');
        $this->undo('change 2 ports: enabled');
        $this->sees('[data-row="house-desk"]', 'alive');
    }

    public function testSomeAreDuplicatedMovedAndDeleted(): void
    {
        $this->go('Routes');
        $this->ctrlClick('lantern-from-tablet');
        self::$chrome->press('Duplicate', self::BAR);
        $this->sees(self::BAR, '1 route selected');
        $this->sees('[aria-label="routes"] .count', '13');
        // What was added comes first over the live link, and is selected when the answer is here.
        $this->untilScript(
            'return [...document.querySelectorAll("[data-row]")].at(-1).ariaPressed',
            'true',
        );
        self::$chrome->press('Up', self::BAR);
        $this->untilScript(
            'return [...document.querySelectorAll("[data-row]")].at(-2).dataset.row',
            'guides-fader-to-the-lantern',
        );
        self::$chrome->press('Delete', self::BAR);
        $this->sees(self::BAR, 'Delete 1 route? Ctrl+Z brings them back.');
        self::$chrome->press('Delete them', self::BAR);
        $this->sees('[aria-label="routes"] .count', '12');
        foreach (['delete 1 route', 'move 1 route', 'add 1 route'] as $edit) {
            $this->undo($edit);
        }
    }

    public function testWhatIsCopiedIsPutInByPasting(): void
    {
        $this->go('Routes');
        $this->ctrlClick('lantern-from-tablet');
        self::$chrome->press('Copy', self::BAR);
        self::$chrome->find('[data-row="lantern-from-tablet"]')->sendKeys([WebDriverKeys::CONTROL, 'v']);
        $this->sees('[aria-label="routes"] .count', '13');
        $this->undo('add 1 route');
        $this->sees('[aria-label="routes"] .count', '12');
    }

    public function testATableIsTriedBeforeItIsTakenInAndAWrongOneSaysItsRow(): void
    {
        $this->go('Patch');
        self::$chrome->press('More', '[aria-label="fixtures"]');
        self::$chrome->press('Read a table (CSV) or a copy', '.v-overlay--active');
        $paste = static fn(string $text) => self::$chrome->driver->executeScript(
            'const area = document.querySelector(".table-in textarea"); area.value = arguments[0]; area.dispatchEvent(new Event("input"))',
            [$text],
        );
        $paste("name;profile;universe;first\nPath lamp;dimmer;palm-house;600");
        $this->sees('.table-in [role=alert]', 'row 2, column first');
        $paste("name;profile;universe;first\nPath lamp;dimmer;palm-house;60\nPath lamp 2;dimmer;palm-house;61");
        $this->sees('.table-in [role=status]', 'It adds 2, changes 0, and leaves 0 as they are.');
        self::$chrome->press('Take it in', '.table-in');
        $this->sees('[aria-label="fixtures"]', 'Path lamp 2');
        $this->undo('add 2 fixtures from a table');
    }

    /** @param list<string> $names */
    private function rows(array $names): void
    {
        $this->untilScript(
            'return [...document.querySelectorAll("[data-row] strong")].map((one) => one.textContent).join(", ")',
            implode(', ', $names),
        );
    }

    private function ctrlClick(string $id): void
    {
        self::$chrome->find("[data-row=\"{$id}\"]");
        self::$chrome->driver->executeScript(
            'document.querySelector(`[data-row="${arguments[0]}"]`).dispatchEvent(new MouseEvent("click", {bubbles: true, ctrlKey: true}))',
            [$id],
        );
    }
}
