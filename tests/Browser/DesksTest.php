<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

/** Lines for a desk: corrected as they are typed, made of a timeline, looked at first, sent, and answered by the desk. */
final class DesksTest extends BrowserTestCase
{
    public function testALineIsCorrectedAndATimelineBecomesCues(): void
    {
        self::$chrome->driver->get(self::$demo->url('/timeline-desks/cue-desk'));
        $line = '[aria-label="Type a line"]';
        self::$chrome->fill($line, 'mak cue 40 caled Foyer');
        $this->sees('form[aria-label=Line]', '"caled" cannot stand there; there may stand "called".');
        self::$chrome->press('mak cue 40 called Foyer', 'form[aria-label=Line]');
        $this->sees('form[aria-label=Line]', 'It is: make cue 40 called "Foyer"');
        self::$chrome->press('Send', 'form[aria-label=Line]');
        $this->sees('[aria-label="What was said"]', '/desk/said "cue 40 made"');
        $part = '[aria-label="Lines of a timeline"]';
        self::$chrome->fill('[aria-label="Line of each trigger"]', 'make cue {name}');
        self::$chrome->press('Dry run', $part);
        $this->sees($part, '7 lines, 7 of them not taken: nothing is sent.');
        self::$chrome->fill('[aria-label="Line of each trigger"]', 'make cue {number} called "{name}"');
        self::$chrome->press('Dry run', $part);
        $this->sees($part, '7 lines, all of them taken.');
        self::$chrome->press('Send 7 lines', $part);
        $this->sees($part, '7 of 7');
        $this->sees('[aria-label="What was said"]', '/desk/said "cue 7 made"');
        $this->go('Stand-ins');
        $this->sees('[aria-label="Cue desk"]', 'Moss again');
    }
}
