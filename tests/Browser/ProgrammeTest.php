<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** Looks, cue lists and masters as people use them, with desks, slides and a lectern beside. */
final class ProgrammeTest extends BrowserTestCase
{
    private const LOOK = 'form[aria-label="Look"]';
    private const BOARD = '[aria-label="Cues of Night Walk"]';

    public function testALookIsMadeOfWhatLeavesAndRecalledByASlidesNote(): void
    {
        $this->fader('House desk fader 3', 150);
        $this->lamp('Palm House dimmers', 3, 150);
        $this->go('Programme');
        self::$chrome->press('Add a look', '.page-head');
        $this->field('Name', 'Kept');
        $this->field('Fade in (s); empty for the common fade time', '0.5');
        self::$chrome->press('Take values', self::LOOK);
        $this->sees(self::LOOK, 'Palm House, slot 3');
        self::$chrome->press('Add the look', self::LOOK);
        $this->sees('aside.panel', 'it fades in over 0.5 s');
        $this->adds('routes', [
            'name' => 'Slide to the look',
            'when' => ['kind' => 'note-on', 'port' => 'talk-slides', 'channel' => 1, 'note' => 49],
            'do' => [['kind' => 'press', 'point' => 'look:kept']],
        ]);
        $this->fader('House desk fader 3', 0);
        $this->lamp('Palm House dimmers', 3, 0);
        self::$chrome->press('Next slide', '[aria-label="Talk slides"]');
        $this->lamp('Palm House dimmers', 3, 150);
        $this->go('Programme');
        $this->untilScript('return document.querySelector("[data-row=kept]")?.textContent.includes("100 %")', true);
        self::$chrome->press('Kept', '[aria-label="looks"]');
        $this->sees('aside.panel', 'Route Slide to the look');
        self::$chrome->press('Release', 'aside.panel');
        $this->lamp('Palm House dimmers', 3, 0);
        $this->go('Programme');
        self::$chrome->press('Kept', '[aria-label="looks"]');
        self::$chrome->press('What would it do now?', 'aside.panel');
        $this->sees('[aria-label="Values that would leave"]', 'Palm House, slot 3');
        $this->sees('[aria-label="What would leave"]', 'would change');
        $this->lamp('Palm House dimmers', 3, 0);
        $this->go('Programme');
        $this->undo('add route "Slide to the look"');
        $this->undo('add look "Kept"');
    }

    public function testAListOfFiveIsRunAndItsTableEditedByKeyboard(): void
    {
        $this->go('Programme');
        self::$chrome->press('Cue lists', '.page-head');
        self::$chrome->press('Night Walk', '[aria-label="cue lists"]');
        self::$chrome->press('What would the next cue do now?', 'aside.panel');
        $this->sees('[aria-label="Values that would leave"]', 'Lantern, level');
        $this->untilScript('return document.querySelector(".line.live") === null', true);
        foreach (['1', '2', '2.5', '3', '4'] as $number) {
            self::$chrome->press("Go {$number}", 'aside.panel .controls');
            $this->untilScript('return document.querySelector(".line.live")?.dataset.cue', $number);
        }
        $this->untilScript('return document.querySelector("aside.panel .go").disabled', true);
        self::$chrome->press('Back', 'aside.panel');
        $this->untilScript('return document.querySelector(".line.live")?.dataset.cue', '3');
        self::$chrome->press('Pause', 'aside.panel');
        $this->sees('.line.live', 'paused');
        self::$chrome->press('Release', 'aside.panel');
        $this->untilScript('return document.querySelector(".line.live") === null', true);
        // Ctrl+Enter: a new cue between 3 and 4, named, with its time; the table says what is wrong.
        self::$chrome->find(self::BOARD.' [data-cell="3 name"]')->click();
        $this->key(WebDriverKeys::CONTROL.WebDriverKeys::ENTER.WebDriverKeys::NULL);
        $this->untilScript(
            'return document.activeElement?.dataset.cell + " " + document.querySelectorAll("[data-cue]").length',
            '4 name 6',
        );
        $this->key('Coffee'.WebDriverKeys::TAB);
        $this->untilScript('return document.querySelector("[data-cue=\\"3.5\\"] [data-cell=\\"4 name\\"]")?.value', 'Coffee');
        self::$chrome->find(self::BOARD.' [data-cell="4 up"]')->click();
        $this->key('soon'.WebDriverKeys::TAB);
        $this->sees('aside.panel [role="alert"]', 'is no time');
        self::$chrome->find(self::BOARD.' [data-cell="4 follow"]')->click();
        $this->key('c+2'.WebDriverKeys::TAB);
        $this->untilScript('return document.querySelector("[data-cue=\\"3.5\\"] [data-cell=\\"4 follow\\"]")?.value', 'c+2');
        foreach ([1, 2, 3] as $i) {
            $this->undo('change cue list "Night Walk"');
        }
        $this->untilScript('return document.querySelectorAll("[data-cue]").length', 5);
    }

    public function testAMasterIsFadedByTheLecternAndItsMotorFollows(): void
    {
        $this->adds('routes', [
            'name' => 'Lectern to the grand master',
            'when' => ['kind' => 'controller', 'port' => 'lectern', 'channel' => 1, 'controller' => 4],
            'steps' => [['kind' => 'scale', 'from' => [0, 127], 'to' => [0, 100]]],
            'do' => [['kind' => 'set', 'point' => 'master:grand']],
            'back' => ['kind' => 'value'],
        ]);
        $this->fader('House desk fader 9', 200);
        $this->lamp('Palm House dimmers', 9, 200);
        $this->fader('Lectern fader 4', 64);
        $this->sees('header.strip', 'GM 50');
        // Lamp 9 is a fixture, and scaled: 64 of 127 of 200.
        $this->lamp('Palm House dimmers', 9, 101);
        $this->go('Programme');
        self::$chrome->press('Masters', '.page-head');
        self::$chrome->press('Grand master', '[aria-label="masters"]');
        self::$chrome->find('aside.panel [role="slider"]')->sendKeys(WebDriverKeys::END);
        $this->sees('header.strip', 'GM 100');
        $this->go('Stand-ins');
        $this->untilScript('return document.querySelector(\'input[aria-label="Lectern fader 4"]\')?.value', '127');
        $this->lamp('Palm House dimmers', 9, 200);
        $this->go('Programme');
        $this->undo('add route "Lectern to the grand master"');
    }

    /**
     * Six taps half a second apart are 120 BPM; how far a busy machine may put them off is the tolerance. The tempo shows rounded, and
     * exact in its field.
     */
    public function testATempoIsTappedAndTyped(): void
    {
        $this->go('Programme');
        self::$chrome->press('Tempo', '.page-head');
        self::$chrome->press('Music', '[aria-label="tempos"]');
        $this->untilScript('return document.querySelector("aside.panel .bpm")?.textContent', '99');
        $this->untilScript('return document.querySelector("aside.panel .more input").value', '98.96');
        self::$chrome->driver->executeAsyncScript('const done = arguments[0];
            let taps = 0;
            const timer = setInterval(() => {
                document.querySelector("aside.panel .tap").dispatchEvent(new PointerEvent("pointerdown", { bubbles: true }));
                if (++taps === 6) { clearInterval(timer); done(); }
            }, 500);');
        $this->untilScript(
            'const bpm = Number(document.querySelector("aside.panel .bpm").textContent); return bpm > 108 && bpm < 132',
            true,
        );
        self::$chrome->press('Half', 'aside.panel');
        $this->untilScript('const bpm = Number(document.querySelector("aside.panel .bpm").textContent); return bpm > 54 && bpm < 66', true);
        foreach (['81.37' => '81', '128' => '128', '98.96' => '99'] as $typed => $shown) {
            self::$chrome->fill('aside.panel .more input', (string) $typed);
            $this->key(WebDriverKeys::TAB);
            $this->untilScript('return document.querySelector("aside.panel .bpm").textContent', $shown);
            $this->sees('header.strip', $shown);
        }
    }

    public function testTheLivePageIsAnOperatorsOnATablet(): void
    {
        self::$chrome->logout();
        self::$chrome->login(self::$demo, 'operator');
        self::$chrome->size(1024, 768);
        $this->go('Live');
        $this->sees('[aria-label="Running"]', 'Path');
        $this->sees('[aria-label="Next"]', 'Doors open');
        self::$chrome->press('Talk', '.plates');
        $this->untilScript('return [...document.querySelectorAll(".plate.on strong")].map((one) => one.textContent).join()', 'Talk');
        // Of one set: the other one goes.
        self::$chrome->press('Interval', '.plates');
        $this->untilScript('return [...document.querySelectorAll(".plate.on strong")].map((one) => one.textContent).join()', 'Interval');
        $this->sees('[aria-label="Running"]', 'Interval');
        self::$chrome->press('Go', '[aria-label="Next"]');
        $this->sees('[aria-label="Running"]', 'Doors open');
        self::$chrome->find('main')->click();
        $this->key(WebDriverKeys::SHIFT.'b'.WebDriverKeys::NULL);
        $this->sees('[aria-label="Wrong"]', 'Blackout is on');
        self::$chrome->press('Blackout is on: light again', '.masters');
        $this->untilScript('return document.querySelector("[aria-label=Wrong]").textContent.includes("Blackout")', false);
        self::assertSame(
            [],
            self::$chrome->driver->findElements(\Facebook\WebDriver\WebDriverBy::cssSelector('main input:not([type=number])')),
            'nothing can be edited',
        );
        $small = self::$chrome->driver->executeScript(
            'return [...document.querySelectorAll(".live button:not(.small-button), .live [role=slider]")].filter((one) => one.getBoundingClientRect().height < 44).length',
        );
        self::assertSame(0, $small, 'what is touched is large');
        self::$chrome->press('Release all', '[aria-label="Running"]');
        $this->sees('[aria-label="Running"]', 'Nothing of the programme is running');
        $this->pressesPath();
    }

    /** What the demo runs by itself runs again. */
    private function pressesPath(): void
    {
        self::$chrome->press('Go 1', '[aria-label="Next"] .around:nth-of-type(2)');
        $this->sees('[aria-label="Running"]', 'Even lamps');
    }

    /** @param array<string, mixed> $part */
    private function adds(string $list, array $part): void
    {
        $status = self::$chrome->driver->executeAsyncScript(
            'const done = arguments[2]; const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]+)/) ?? ["", ""])[1]); fetch(`/api/show/${arguments[0]}`, { method: "POST", headers: { "Content-Type": "application/json", Accept: "application/json", "X-XSRF-TOKEN": token }, body: JSON.stringify(arguments[1]) }).then(async (answer) => done([answer.status, await answer.text()]))',
            [$list, $part],
        );
        self::assertLessThan(300, $status[0], $status[1]);
    }
}
