<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NimbleJunction\Core\Wire\MidiFile\Division;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\File;
use NimbleJunction\Core\Wire\MidiFile\Track;
use NimbleJunction\Engine\LocalZone;

/** A timeline is made, set by ear, drawn, played, jumped in; time code is seen to run. */
final class TimelineTest extends BrowserTestCase
{
    public function testASongIsLaidByEarDrawnAndPlayed(): void
    {
        $this->go('Timeline');
        self::$chrome->press('Add a timeline', '.page-head');
        $this->field('Name', 'Rope song');
        $this->field('Length; 0 for as far as its tracks go', '20');
        self::$chrome->press('Add the timeline', 'form');
        self::$chrome->press('Open', '[aria-label="Timeline"]');
        $canvas = self::$chrome->find('canvas');
        // A trigger where it is played, and what it does.
        self::$chrome->fill('input[aria-label^="Place"]', '7'.WebDriverKeys::ENTER);
        $this->untilScript('return document.querySelector("input[aria-label^=Place]").value', '7.00');
        $canvas->sendKeys('t');
        $this->sees('form[aria-label="Trigger"]', 'Trigger');
        $this->field('Name', 'Doors');
        self::$chrome->press('Add', '[aria-label="It does"]');
        $this->choose('It does, 1', 'Set a point');
        self::$chrome->fill('form[aria-label="Trigger"] .point-field input', 'look:moss');
        $this->field('To; empty for the value that arrives', '100');
        self::$chrome->press('Save', 'form[aria-label="Trigger"]');
        $this->untilScript('return document.querySelector("canvas + p").textContent', 'Doors, at 7.00');
        // A level, drawn with two points.
        $this->add('A level');
        $this->sees('form[aria-label="Track"]', 'A level over time');
        self::$chrome->fill('form[aria-label="Track"] .point-field input', 'fixture:lantern/level');
        self::$chrome->press('Save', 'form[aria-label="Track"]');
        $this->sees('.names', 'fixture:lantern/level');
        $this->twice(0.25, 1, 0.9);
        $this->sees('form[aria-label="Point of the line"]', 'Value');
        $this->twice(0.5, 1, 0.1);
        $this->untilScript(
            'return document.querySelector("canvas + p").textContent.startsWith("point at 9") || document.querySelector("canvas + p").textContent.startsWith("point at 100")',
            true,
        );
        self::$chrome->find('canvas')->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_RIGHT, WebDriverKeys::NULL]);
        // Played from before the doors: the look comes on, the lantern is on its way.
        self::$chrome->fill('input[aria-label^="Place"]', '6.5'.WebDriverKeys::ENTER);
        $this->untilScript('return document.querySelector("input[aria-label^=Place]").value', '6.50');
        self::$chrome->find('canvas')->sendKeys(' ');
        $this->sees('.page-head [role=status]', 'playing');
        $this->untilScript('return parseFloat(document.querySelector("input[aria-label^=Place]").value) > 7.5', true);
        self::$chrome->find('canvas')->sendKeys(' ');
        $this->sees('.page-head [role=status]', 'standing');
        self::$chrome->driver->get(self::$demo->url('/live'));
        $this->sees('[aria-label=Running]', 'Rope song');
        $this->untilScript(
            'return [...document.querySelectorAll(".plates button")].find((one) => one.textContent.includes("Moss"))?.getAttribute("aria-pressed")',
            'true',
        );
        // Back before the doors it is as it was then.
        self::$chrome->driver->navigate()->back();
        // Where it stands is known once the link is there again.
        $this->untilScript('return parseFloat(document.querySelector("input[aria-label^=Place]")?.value) > 7.5', true);
        self::$chrome->fill('input[aria-label^="Place"]', '1'.WebDriverKeys::ENTER);
        $this->untilScript('return document.querySelector("input[aria-label^=Place]").value', '1.00');
        self::$chrome->driver->get(self::$demo->url('/live'));
        $this->untilScript(
            'return [...document.querySelectorAll(".plates button")].find((one) => one.textContent.includes("Moss"))?.getAttribute("aria-pressed")',
            'false',
        );
    }

    public function testMarksAreChosenMovedCopiedAndTakenAwayByKeysAndTakenBack(): void
    {
        self::$chrome->driver->get(self::$demo->url('/timeline-edit/fern-song'));
        $said = 'return document.querySelector("canvas + p").textContent';
        $canvas = self::$chrome->find('canvas');
        self::$chrome->press('Looks', '.names');
        $canvas->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $this->untilScript($said, 'Moss on, at 2.00');
        $canvas->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $this->untilScript($said, 'Doors, at 7.00');
        $canvas->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_RIGHT, WebDriverKeys::ARROW_RIGHT, WebDriverKeys::NULL]);
        $this->untilScript($said, 'Doors, at 7.20');
        $canvas->sendKeys([WebDriverKeys::CONTROL, 'cv', WebDriverKeys::NULL]);
        $this->untilScript($said, 'Doors, at 0.00');
        $canvas->sendKeys(WebDriverKeys::DELETE);
        $this->untilScript($said, '');
        for ($i = 0; $i < 4; ++$i) {
            self::$chrome->driver->executeScript('document.activeElement?.blur()');
            $this->key(WebDriverKeys::CONTROL.'z'.WebDriverKeys::NULL);
        }
        $canvas->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $canvas->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $this->untilScript($said, 'Doors, at 7.00');
        self::$chrome->press('Mute', '.names');
        $this->untilScript('return document.querySelector("[aria-label=\"Mute Looks\"]").getAttribute("aria-pressed")', 'true');
    }

    public function testNotesOfAMidiFileBecomeTriggers(): void
    {
        $path = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6)).'.mid';
        file_put_contents($path, (new File(0, Division::perQuarter(480), [new Track([
            Event::meta(0, Event::TRACK_NAME, 'Cues'),
            Event::tempo(0, 500_000),
            Event::meta(0, Event::TIME_SIGNATURE, "\x03\x02\x18\x08"),
            Event::channel(480, "\x99\x24\x64"),
            Event::channel(960, "\x99\x26\x64"),
            Event::meta(0, Event::END_OF_TRACK),
        ])]))->encode());
        try {
            self::$chrome->driver->get(self::$demo->url('/timeline-edit/before-doors'));
            self::$chrome->find('canvas');
            self::$chrome->find('input[aria-label="MIDI file"]')->sendKeys($path);
            $this->sees('p[role=status]', '2 notes became triggers, on 1 track; its tempo map has 1 tempo.');
        } finally {
            unlink($path);
        }
        self::$chrome->press('Cues', '.names');
        self::$chrome->find('canvas')->sendKeys([WebDriverKeys::ARROW_RIGHT, WebDriverKeys::ARROW_RIGHT]);
        $this->untilScript('return document.querySelector("canvas + p").textContent.endsWith("at 1.50")', true);
        // Drawn to bars, places are bars: two of three beats at 120 take three seconds.
        $this->select('.builds select', 'bar');
        self::$chrome->fill('input[aria-label^="Place"]', '3.1'.WebDriverKeys::ENTER);
        $this->untilScript('return document.querySelector("input[aria-label^=Place]").value', '3.1');
        $this->select('.builds select', 'tenth');
        $this->untilScript('return document.querySelector("input[aria-label^=Place]").value', '3.00');
        self::$chrome->press('Stop', '[aria-label="Playing"]');
        $this->undo('take in a MIDI file on timeline "before-doors"');
        $this->untilScript('return document.querySelector(".names").textContent.includes("Cues")', false);
    }

    public function testNotesAreSetMovedAndCalledWhatWasAgreed(): void
    {
        self::$chrome->driver->get(self::$demo->url('/timeline-edit/before-doors'));
        self::$chrome->find('canvas');
        $this->add('Notes');
        $this->sees('form[aria-label=Track]', 'Notes for an instrument');
        $this->sees('.names', 'notes to no port yet');
        $this->twice(0.25, $this->rows() - 1, 0.5);
        $this->sees('form[aria-label=Note]', 'Velocity');
        $said = 'return document.querySelector("canvas + p").textContent.split(",")[0]';
        $this->untilScript($said, 'note 60');
        self::$chrome->find('canvas')
            ->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_UP, WebDriverKeys::ARROW_UP, WebDriverKeys::NULL]);
        $this->untilScript($said, 'note 62');
        self::$chrome->find('canvas')->sendKeys(WebDriverKeys::DELETE);
        $this->untilScript('return document.querySelector("canvas + p").textContent', '');
    }

    public function testASoundIsSeenAndAClipIsThereForAWhile(): void
    {
        $path = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6)).'.wav';
        // Two seconds of a tone (RIFF WAVE of PCM, from memory).
        $samples = implode('', array_map(static fn(int $i): string => pack('v', (int) (20000 * sin($i / 5)) & 0xFFFF), range(0, 15999)));
        file_put_contents(
            $path,
            'RIFF'.pack('V', 36 + \strlen($samples)).'WAVEfmt '.pack('VvvVVvv', 16, 1, 1, 8000, 16000, 2, 16).'data'.pack('V', \strlen($samples))
                .$samples,
        );
        try {
            self::$chrome->driver->get(self::$demo->url('/timeline-edit/before-doors'));
            self::$chrome->find('canvas');
            $this->add('A sound');
            $this->sees('form[aria-label=Track]', 'No file yet.');
            self::$chrome->find('[aria-label="Sound file"]')->sendKeys($path);
            $this->sees('form[aria-label=Track]', basename($path).', 2.0');
            $this->sees('.names', basename($path));
        } finally {
            unlink($path);
        }
        $this->add('Clips: looks, waves, timelines for a while');
        $this->sees('form[aria-label=Track]', 'each for a while');
        $this->twice(0.3, $this->rows() - 1, 0.5);
        $this->sees('form[aria-label=Clip]', 'Fades in');
        self::$chrome->fill('form[aria-label=Clip] .point-field input', 'look:moss');
        self::$chrome->press('Save', 'form[aria-label=Clip]');
        $this->untilScript('return document.querySelector("canvas + p").textContent.split(",")[0]', 'look:moss');
    }

    public function testTimeCodeOfTheWorkstationIsSeenToRunAndToStop(): void
    {
        $this->go('Stand-ins');
        self::$chrome->press('Play', '[aria-label="Sound workstation"]');
        self::$chrome->driver->get(self::$demo->url('/timeline-codes/tape'));
        $this->sees('[aria-label="Time code"]', 'runs, led by Sound workstation');
        $this->untilScript('return /^00:00:\d\d:\d\d$/.test(document.querySelector(".clock").textContent)', true);
        $this->untilScript('return /00:00:\d\d:\d\d$/.test(document.querySelector(".strip .code")?.textContent ?? "")', true);
        $this->go('Stand-ins');
        self::$chrome->press('Stop', '[aria-label="Sound workstation"]');
        self::$chrome->driver->get(self::$demo->url('/timeline-codes/tape'));
        $this->sees('[aria-label="Time code"]', 'stands, 25 frames a second');
        // With no port that leads it is ours to put somewhere, and to start.
        self::$chrome->fill('[aria-label="Time to go to"]', '01:00:00:00'.WebDriverKeys::ENTER);
        $this->sees('.clock', '01:00:00:00');
        self::$chrome->press('Start', '[aria-label="Our own time"]');
        $this->untilScript('return document.querySelector(".clock").textContent > "01:00:01:00"', true);
        self::$chrome->press('Stop', '[aria-label="Our own time"]');
        $this->sees('[aria-label="Time code"]', 'stands');
    }

    public function testAnOccasionIsAddedAndWhatIsNextIsSaid(): void
    {
        self::$chrome->driver->get(self::$demo->url('/timeline-day'));
        self::$chrome->press('Add an occasion', '.page-head');
        $this->field('Name', 'Keys');
        $this->field('At, like 19:30 or 19:30:15', (new \DateTimeImmutable('+40 minutes', LocalZone::of()))->format('H:i:s'));
        self::$chrome->press('Add', '[aria-label="It does"]');
        $this->choose('It does, 1', 'Set a point');
        self::$chrome->fill('form .point-field input', 'look:moss');
        $this->field('To; empty for the value that arrives', '100');
        self::$chrome->press('Add the occasion', 'form');
        // However long the form took.
        $this->sees('.page-head', 'Next: Keys, in 3');
        $this->sees('aside.panel', 'It has not come yet.');
        self::$chrome->press('Do it now', 'aside.panel');
        self::$chrome->driver->get(self::$demo->url('/live'));
        $this->sees('[aria-label=Next]', 'By itself: Keys, in 3');
        $this->untilScript(
            'return [...document.querySelectorAll(".plates button")].find((one) => one.textContent.includes("Moss"))?.getAttribute("aria-pressed")',
            'true',
        );
        // Loaded anew: what the browser kept of the page has no link yet.
        self::$chrome->driver->get(self::$demo->url('/timeline-day/keys'));
        $this->sees('aside.panel', 'It has not come yet.');
        self::$chrome->press('Switch off', 'aside.panel');
        $this->sees('aside.panel', 'It does not come');
    }

    private function rows(): int
    {
        return (int) self::$chrome->driver->executeScript('return document.querySelectorAll(".names li").length');
    }

    private function add(string $what): void
    {
        self::$chrome->press('Add', '.page-head');
        self::$chrome->press($what, '[aria-label=Add]');
    }

    /** Clicks twice on the canvas: at a share of its width, in a row, at a share of the row's height. */
    private function twice(float $across, int $row, float $down): void
    {
        self::$chrome->driver->executeScript(<<<'JS'
            const [across, row, down] = arguments
            const canvas = document.querySelector('canvas')
            const box = canvas.getBoundingClientRect()
            const at = { clientX: box.x + across * box.width, clientY: box.y + 34 + row * 64 + down * 64, bubbles: true }
            canvas.dispatchEvent(new MouseEvent('dblclick', at))
            JS, [$across, $row, $down]);
    }
}
