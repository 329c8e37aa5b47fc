<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Database\Seeders\FernhallGlasshouse;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Udp;

/** A movement is flown by a joystick that speaks OSC, kept as a take, drawn over by hand, told by fewer points, and goes round. */
final class RecordingTest extends BrowserTestCase
{
    public function testATakeIsFlownKeptAndGoesRound(): void
    {
        self::$chrome->driver->get(self::$demo->url('/timeline-edit/before-doors'));
        self::$chrome->find('canvas');
        $this->stick('master:path');
        self::$chrome->press('Takes', '.page-head');
        $this->sees('[aria-label=Takes]', 'None yet.');
        self::$chrome->press('Record', '[aria-label=Takes]');
        $this->sees('[aria-label=Takes] [role=status]', 'recording');
        $this->sees('.page-head [role=status]', 'playing');
        $stick = new Udp(self::$demo->loopback.'.15');
        $sent = 0;
        // As long as it takes until the page has seen that it is written.
        Background::until(function () use ($stick, &$sent): ?bool {
            $value = 0.5 + 0.4 * sin(++$sent / 4);
            $stick->send(
                (new Message('/stick', [Argument::of($value)]))->encode(),
                self::$demo->loopback.'.1:'.FernhallGlasshouse::OUR_OSC_PORT,
            );

            return $sent > 8
                && self::$chrome->driver->executeScript(
                    'return document.querySelector("[aria-label=Takes]").textContent.includes("written now")',
                )
                ? true
                : null;
        }, 'the page saying that it is written');
        self::$chrome->press('Stop and keep', '[aria-label=Takes]');
        $this->sees('[aria-label=Takes]', 'A take is kept:');
        $this->sees('[aria-label=Takes]', '1 point');
        $this->untilScript('return document.querySelector("[aria-label=\'Name of Take 1\']").value', 'Take 1');
        self::$chrome->press('Go round', '[aria-label=Takes]');
        self::$chrome->press('Make it', '[aria-label=Takes]');
        $this->sees('[aria-label=Takes]', 'It is a timeline of its own');
        self::$chrome->press('open it', '[aria-label=Takes]');
        $this->sees('h1', 'Take 1, Before the doors');
    }

    public function testALevelIsDrawnByHandAndToldByFewerPoints(): void
    {
        self::$chrome->driver->get(self::$demo->url('/timeline-edit/fern-song'));
        self::$chrome->find('canvas');
        self::$chrome->press('Draw', '[aria-label=Playing]');
        self::$chrome->driver->executeScript(<<<'JS'
            const canvas = document.querySelector('canvas')
            canvas.setPointerCapture = () => undefined
            const box = canvas.getBoundingClientRect()
            const at = (i) => ({ clientX: box.x + 60 + 3 * i, clientY: box.y + 34 + 3 * 64 + 32 + 20 * Math.sin(i / 9), bubbles: true, pointerId: 1 })
            canvas.dispatchEvent(new PointerEvent('pointerdown', at(0)))
            for (let i = 1; i < 90; i++) canvas.dispatchEvent(new PointerEvent('pointermove', at(i)))
            canvas.dispatchEvent(new PointerEvent('pointerup', at(90)))
            JS);
        $this->sees('form[aria-label=Track]', 'Laser across');
        $this->sees('form[aria-label=Track]', 'Fewer points');
        self::$chrome->press('Fewer points', 'form[aria-label=Track]');
        $this->sees('form[aria-label=Track] [role=status]', 'points became');
    }

    public function testADeskIsRecordedOnATapeAndPlayedAgainWithoutIt(): void
    {
        self::$chrome->driver->get(self::$demo->url('/timeline-tapes'));
        $this->sees('.empty', 'No tape yet.');
        self::$chrome->fill('[aria-label="Name of the tape"]', 'House, short');
        self::$chrome->press('Record', '[aria-label=Record]');
        $this->untilScript(
            'return Number(/, (\d+) packets/.exec(document.querySelector("[aria-label=Record] [role=status]").textContent)?.[1] ?? 0) > 60',
            true,
        );
        self::$chrome->press('End', '[aria-label=Record]');
        $this->untilScript(
            'return document.querySelector("[aria-label=Tapes] [aria-label=\'Name of House, short\']")?.value',
            'House, short',
        );
        self::$chrome->press('Loop', '[aria-label=Tapes]');
        self::$chrome->press('Play', '[aria-label=Tapes]');
        $this->sees('[aria-label=Tapes]', 'plays:');
        $this->untilScript('return document.querySelector("[aria-label=Tapes] button").textContent.trim()', 'Stop');
        self::$chrome->press('Stop', '[aria-label=Tapes]');
        $this->sees('[aria-label=Tapes]', 'packets,');
        // A part of it has a name, and is played for itself.
        self::$chrome->fill('[aria-label=Tapes] .keep input', 'Overture');
        self::$chrome->press('Keep as part', '[aria-label=Tapes]');
        self::$chrome->press('Overture', '[aria-label="Parts of House, short"]');
        $this->untilScript('return document.querySelector(".parts button")?.getAttribute("aria-pressed")', 'true');
        self::$chrome->press('Stop', '[aria-label=Tapes]');
        $this->untilScript('return document.querySelector(".parts button")?.getAttribute("aria-pressed")', 'false');
        self::$chrome->find('[aria-label="Forget part Overture"]')->click();
        $this->untilScript('return document.querySelectorAll(".parts li").length', 1);
        self::$chrome->press('Delete', '[aria-label=Tapes]');
        $this->sees('.empty', 'No tape yet.');
    }

    /** A joystick moves a point: a route of the show, as a person would have made it. */
    private function stick(string $point): void
    {
        $made = self::$chrome->driver->executeAsyncScript(<<<'JS'
            const [point, done] = arguments
            const token = decodeURIComponent(document.cookie.split('; ').find((one) => one.startsWith('XSRF-TOKEN=')).slice(11))
            const route = {
              name: 'Stick', when: [{ kind: 'osc', port: 'guides-tablet', address: '/stick' }],
              steps: [{ kind: 'scale', from: [0, 1], to: [0, 100] }], do: [{ kind: 'set', point }],
            }
            fetch('/api/show/routes', { method: 'POST', body: JSON.stringify(route), headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token } })
              .then((answer) => done(answer.status))
            JS, [$point]);
        self::assertSame(200, $made);
    }
}
