<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use NimbleJunction\Core\Wire\Capture\Capture;
use NimbleJunction\Tests\Support\Background;

/** The trace as somebody uses it who looks for one moment: search, keep, link, export. */
final class TraceTest extends BrowserTestCase
{
    private const DRAWER = 'section.drawer';
    private const TITLES = 'return [...document.querySelectorAll(".drawer .title")].map((one) => one.textContent).join("|")';

    public function testAMomentIsFoundKeptLinkedAndSaved(): void
    {
        $this->fader("Guide's tablet fader", 0.5);
        self::$chrome->press('Trace', self::DRAWER);
        $this->sees(self::DRAWER, '/palm/lantern');
        self::$chrome->press('Pause', self::DRAWER);
        self::$chrome->fill('.drawer input[type=search]', 'heard palm lantern');
        Background::until(
            static fn(): bool => self::$chrome->driver->executeScript('return document.querySelectorAll(".drawer .title").length') > 0
                && ! str_contains(self::$chrome->driver->executeScript(self::TITLES), 'is there, at'),
            'Only what fits being shown',
        );
        self::$chrome->press('/palm/lantern', '.drawer .events');
        self::$chrome->press('Keep', '.drawer .deeds');
        $this->sees('.drawer .deeds', 'Kept');
        $this->sees('.drawer .bar', 'Kept 1');
        $moment = self::$chrome->driver->executeScript(
            'return document.querySelector(".drawer [data-moment]:has(.deeds)").dataset.moment',
        );
        $this->itIsSavedAndReadByOthers();
        self::$chrome->driver->get(self::$demo->url("/ports?moment={$moment}"));
        $this->sees('.drawer .hops', 'matched');
        self::$chrome->driver->get(self::$demo->url('/ports?moment=1-999'));
        $this->sees(self::DRAWER, 'That moment is no longer in the trace');
        self::$chrome->press('Kept 1', self::DRAWER);
        $this->sees('.drawer .title', '/palm/lantern');
        self::$chrome->press('Trace', self::DRAWER);
    }

    /** Files are caught on their way to the disk: their bytes are what the engine wrote. */
    private function itIsSavedAndReadByOthers(): void
    {
        self::$chrome->driver->executeScript(
            'window.saved = []; const make = URL.createObjectURL; URL.createObjectURL = (blob) => { blob.bytes().then((bytes) => window.saved.push(Array.from(bytes, (one) => one.toString(16).padStart(2, "0")).join(""))); return make(blob) }',
        );
        self::$chrome->press('Save as JSON lines', self::DRAWER);
        $this->sees('.drawer .said', '.jsonl:');
        self::$chrome->press('Save as pcapng', self::DRAWER);
        $this->sees('.drawer .said', '.pcapng:');
        [$lines, $capture] = Background::until(
            static fn(): ?array => \count($saved = self::$chrome->driver->executeScript('return window.saved')) === 2 ? $saved : null,
            'Both files being written',
        );
        foreach (explode("\n", trim((string) hex2bin($lines))) as $line) {
            self::assertArrayHasKey('hops', json_decode($line, true, flags: JSON_THROW_ON_ERROR));
        }
        $payloads = array_column(iterator_to_array(Capture::datagrams((string) hex2bin($capture)), false), 'payload');
        self::assertStringContainsString('/palm/lantern', implode($payloads));
    }
}
