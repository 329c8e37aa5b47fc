<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

/** The chain rehearsed without its devices: the first link is fired, the last one watched. */
final class InstrumentsTest extends BrowserTestCase
{
    public function testASlidesNoteLightsTheDoorsWhileItSounds(): void
    {
        $this->go('Stand-ins');
        $this->sees('[aria-label="Talk slides"]', 'alive', 15);
        self::$chrome->driver->executeScript(
            'window.seen = new Set(); new MutationObserver(() => window.seen.add(document.querySelector(`[aria-label="Palm House dimmers"] [data-lamp="9"]`)?.dataset.level)).observe(document.body, { subtree: true, attributes: true, attributeFilter: ["data-level"] })',
        );
        self::$chrome->press('Next slide', '[aria-label="Talk slides"]');
        $this->sees('[aria-label="Talk slides"]', 'slide 2 of 5: note 49 (C#3), channel 1, velocity 100');
        $this->untilScript('return String(window.seen.has("201"))', 'true');
        $this->lamp('Palm House dimmers', 9, 0);
        self::$chrome->press('Repeats its note', '[aria-label="Talk slides"]');
        self::$chrome->press('Next slide', '[aria-label="Talk slides"]');
        $this->sees('[aria-label="Talk slides"]', '4 notes sent');
    }

    public function testASongFaderOpensALayerOnTheRoof(): void
    {
        $this->fader('Sound workstation fader', 127);
        $this->untilScript('return document.querySelector(\'[data-layer="1"]\')?.dataset.opacity', '1');
        self::$chrome->press('Play the song', '[aria-label="Sound workstation"]');
        $this->sees('[aria-label="Sound workstation"]', '00:00:01:');
        $this->go('Ports');
        self::$chrome->press('Sound workstation', '.list');
        $this->sees('.row-button[aria-current="true"]', 'alive');
        $this->sees('aside.panel', 'Sound workstation at 127.77.0.18');
        $this->go('Stand-ins');
        self::$chrome->press('Stop', '[aria-label="Sound workstation"]');
    }

    public function testALecternsButtonAndFadersDrawTheLasersFigure(): void
    {
        $this->go('Stand-ins');
        $this->sees('[aria-label="Lily Pond mist laser"]', 'sACN universe 12');
        $this->fader('Lectern fader 2', 100);
        $this->fader('Lectern fader 3', 127);
        $button = self::$chrome->find('[aria-label="Lectern button 1"]');
        self::$chrome->driver->executeScript(
            'arguments[0].dispatchEvent(new PointerEvent("pointerdown", { bubbles: true }))',
            [$button],
        );
        $this->untilScript('return document.querySelector(".mist")?.dataset.lit', 'true');
        self::assertStringContainsString('rgb(0 255 0)', (string) self::$chrome->find('.mist path')->getAttribute('stroke'));
        self::$chrome->driver->executeScript(
            'arguments[0].dispatchEvent(new PointerEvent("pointerup", { bubbles: true }))',
            [$button],
        );
        $this->untilScript('return document.querySelector(".mist")?.dataset.lit', 'false');
        $this->go('Ports');
        self::$chrome->press('Lectern panel', '.list');
        $this->sees('aside.panel', 'note 36 (C2) on channel 1 ends, from a program (');
    }

    /** Another hand moves the level: the motor follows. */
    public function testAMotorFaderFollowsALevelHeldByHand(): void
    {
        $this->go('Universes');
        $this->choose('Universe', 'Canopy');
        self::$chrome->find('[data-slot="8"]')->click();
        $this->key('255'."\u{E007}");
        $this->sees('header.strip', '1 held');
        $this->go('Stand-ins');
        $this->untilScript('return document.querySelector(\'input[aria-label="Lectern fader 1"]\')?.value', '127');
        $this->key('x');
        $this->sees('header.strip', 'nothing held');
        $this->untilScript('return document.querySelector(\'input[aria-label="Lectern fader 1"]\')?.value', '0');
    }

    public function testAFaderGoesToTheNextCueOfADeskAndSwitchesItsHabits(): void
    {
        $this->fader('House desk fader 11', 255);
        $this->sees('[aria-label="Cue desk"]', 'House to half');
        $this->sees('[aria-label="Cue desk"] [data-cue="1"]', 'running');
        $this->fader('House desk fader 11', 0);
        $this->fader('House desk fader 11', 255);
        $this->sees('[aria-label="Cue desk"] [data-cue="2"]', 'running');
        self::$chrome->press('Stop', '[aria-label="Cue desk"]');
        $this->sees('[aria-label="Cue desk"] [data-cue="2"]', 'stopped');
    }
}
