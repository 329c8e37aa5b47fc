<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** A route that a person builds step by step: an OSC message becomes a cue of show control. */
final class LongRouteTest extends BrowserTestCase
{
    public function testAFaderStartsACue(): void
    {
        $this->go('Routes');
        self::$chrome->press('Add a route', '.page-head');
        $this->choose('What it does', 'Step by step');
        $this->field('Name', 'Walk begins');
        self::$chrome->press('Add', 'section[aria-label="Then do"]');
        $this->choose('Then do, 1', 'Send a message');
        $this->choose('Port', 'Cue desk MIDI');
        self::$chrome->press('Add', 'section[aria-label="Message"]');
        $this->choose('Message', 'Show control');
        $this->field('Cue, like 2.5 or {cue}', '2');
        self::$chrome->press('Add', 'section[aria-label="And only if"]');
        $this->choose('And only if, 1', 'The value is at least');
        $this->field('At least', '0.5');
        self::$chrome->press('Add', 'section[aria-label="When any of these"]');
        $this->choose('When any of these, 1', 'An OSC message');
        $this->choose('Port', "Guide's tablet");
        $this->field('Address, like /cue/{number}/go', 'not an address');
        $this->field('Address, like /cue/{number}/go', '/palm/lantern');
        self::$chrome->press('Add the route', 'form');
        $this->sees(
            'aside.panel',
            "When /palm/lantern arrives on Guide's tablet and the value is at least 0.5, send show control GO cue 2 on Cue desk MIDI.",
        );
        $this->fader("Guide's tablet fader", 0.2);
        $this->fader("Guide's tablet fader", 0.9);
        $this->sees('[aria-label="Cue desk"]', 'cue 2');
        $this->go('Routes');
        self::$chrome->press('Walk begins', '.list, .split');
        $this->sees('aside.panel', 'sent show control');
        self::$chrome->press('Change', 'aside.panel');
        $this->sees('form', 'Then do');
        $this->field('At least', 'much');
        $this->key(WebDriverKeys::TAB);
        self::$chrome->press('Save', 'form');
        $this->sees('form [role=alert]', 'if, 0, value: it is missing');
        $this->leave();
    }

    /** Its form is what its class says: other fields for another type. */
    public function testAValueOfTheShowsOwnIsMadeChangedAndRefused(): void
    {
        $panel = 'section[aria-label="Values"]';
        $this->go('Show');
        self::$chrome->press('Add a value', $panel);
        $this->field('Name', 'Mood of the walk');
        $this->choose('It is a', 'choice');
        self::$chrome->press('Add the value', $panel);
        $this->sees("{$panel} [role=alert]", 'choices: there are none. Name at least one choice.');
        $this->field('Choices', 'calm, bright');
        $this->field('At first', 'loud');
        self::$chrome->press('Add the value', $panel);
        $this->sees("{$panel} form", 'Use one of: calm, bright.');
        $this->field('At first', 'bright');
        self::$chrome->press('Add the value', $panel);
        $this->sees($panel, 'value:mood-of-the-walk');
        $this->undo('add value "Mood of the walk"');
        $this->redo('add value "Mood of the walk"');
        $this->undo('add value "Mood of the walk"');
    }

    public function testAFormulaIsLookedAtWhileItIsTyped(): void
    {
        $this->go('Routes');
        self::$chrome->press('Add a route', '.page-head');
        $this->choose('What it does', 'Step by step');
        $this->field('Name', 'By arithmetic');
        self::$chrome->press('Add', 'section[aria-label="What becomes of the value"]');
        $this->choose('What becomes of the value, 1', 'By a formula');
        $this->sees('form', 'Use numbers, value, point(');
        $this->field('Formula', 'value +* 2');
        $this->sees('form', '"*" stands where it does not belong, at character 8.');
        $this->field('Formula', 'value + 2');
        $this->untilScript('return document.querySelector("form [role=status] .wrong") === null', true);
        $this->leave();
    }
}
