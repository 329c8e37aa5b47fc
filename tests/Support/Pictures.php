<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use Facebook\WebDriver\WebDriverKeys;

/** Goes through the demo as a person would, and takes a picture of each main view. */
final readonly class Pictures
{
    public function __construct(private Chrome $chrome, private string $folder)
    {
    }

    /** @param list<string> $names of the pictures to take; none for all */
    public function take(array $names = []): void
    {
        $this->play();
        $all = $this->all();
        foreach ($names === [] ? $all : array_intersect_key($all, array_flip($names)) as $name => $prepare) {
            $prepare();
            $this->settle();
            $this->chrome->picture("{$this->folder}/{$name}.png");
        }
        $this->chrome->size(1280, 800);
    }

    /** @return array<string, callable(): void> */
    private function all(): array
    {
        return [
            'overview' => fn() => $this->go('Overview'),
            'ports' => function (): void {
                $this->go('Ports');
                $this->chrome->press("Guide's tablet", '.list');
            },
            'patch' => function (): void {
                $this->go('Patch');
                $this->chrome->press('Fern SL', 'section');
            },
            'universe' => function (): void {
                $this->go('Universes');
                $this->chrome->find('[data-slot="1"]')->click();
            },
            'check' => function (): void {
                $this->habit("Guide's tablet", 'Swapped ports');
                $this->go('Ports');
                $this->chrome->press("Guide's tablet", '.list');
                $this->chrome->press('Check connection', 'aside.panel');
                $this->slide("Guide's tablet fader", 0.7);
                $this->go('Ports');
                $this->chrome->press("Guide's tablet", '.list');
                $this->chrome->press('Check connection', 'aside.panel');
                $this->chrome->untilText('[aria-label="Check connection"]', 'swapped');
            },
            'live' => function (): void {
                $this->go('Programme');
                $this->chrome->press('Cue lists', '.page-head');
                $this->chrome->press('Night Walk', '[aria-label="cue lists"]');
                $this->chrome->press('Go 1', 'aside.panel');
                $this->go('Live');
                $this->chrome->press('Moss', '.plates');
                $this->chrome->untilText('[aria-label="Running"]', 'Moss');
            },
            'looks' => function (): void {
                $this->go('Programme');
                $this->chrome->press('Moss', '[aria-label="looks"]');
                $this->chrome->untilText('aside.panel', 'it fades in');
            },
            'scope' => function (): void {
                $this->habit("Guide's tablet", 'Swapped ports');
                $this->go('Stand-ins');
                $this->chrome->press('Slow wave', '[aria-label="House desk"]');
                $this->go('Scope');
                foreach (['7', '1'] as $slot) {
                    $this->chrome->fill('form[aria-label="Watch"] input[type=number]', $slot);
                    $this->chrome->press('Watch it', 'form');
                    $this->chrome->find("[aria-label=\"Palm House, slot {$slot}\"]");
                }
                $begin = microtime(true);
                Background::until(static fn(): bool => microtime(true) - $begin > 7.0, 'Seven seconds of a wave', 9);
            },
            'routes' => fn() => $this->go('Routes'),
            'stand-ins' => function (): void {
                $this->go('Stand-ins');
                $this->chrome->press('Faders', '[aria-label="House desk"]');
                $this->chrome->driver->executeScript(
                    '[...document.querySelectorAll("[aria-label=\'Sound workstation\'] button")].find((one) => one.textContent.trim() === "Play the song")?.click()',
                );
                $this->chrome->driver->executeScript('document.querySelector(".page").scrollTop = 0');
            },
            'offers' => function (): void {
                $this->go('Routes');
                $this->chrome->press('Offers', '.page-head');
                $this->chrome->press('Garden', '[aria-label="offers"]');
                $this->chrome->untilText('aside.panel tr.now', '▸');
            },
            'packets' => function (): void {
                $this->go('Packets');
                $this->chrome->press('MIDI Show Control', '.empty');
                $this->chrome->untilText('.fields-list', 'Q_number');
                $this->chrome->driver->action()->moveToElement($this->chrome->find('[data-byte="5"]'))->perform();
            },
            'show' => fn() => $this->go('Show'),
            'machine' => fn() => $this->go('Machine'),
            'timeline' => function (): void {
                $this->go('Timeline');
                $this->chrome->press('Song of the ferns', '[aria-label="timelines"]');
                $this->chrome->press('Open', 'aside.panel');
                $canvas = $this->chrome->find('canvas');
                $this->chrome->press('Looks', '.names');
                $canvas->sendKeys([WebDriverKeys::ARROW_RIGHT, WebDriverKeys::ARROW_RIGHT, ' ']);
                $this->chrome->untilText('form[aria-label="Trigger"]', 'Trigger');
                $this->chrome->untilText('.page-head [role=status]', 'playing');
            },
            'build' => function (): void {
                $this->go('Surfaces');
                $this->chrome->press('Front of house', '[aria-label="surfaces"]');
                $this->chrome->press('Build', 'aside.panel');
                $this->chrome->find('[aria-label^="Lantern, fader"]')->click();
                $this->chrome->untilText('form[aria-label="Control"]', 'Lantern');
            },
            'front-of-house' => fn() => $this->surface('front-of-house', 'Walk-in'),
            'guide' => function (): void {
                $this->chrome->size(390, 844);
                $this->surface('guide', 'Moss');
            },
            'phone' => function (): void {
                $this->chrome->size(390, 844);
                $at = (string) $this->chrome->driver->executeScript('return location.origin');
                $this->chrome->driver->get("{$at}/");
                $this->chrome->press('Ports', 'nav.bottom');
                $this->chrome->press('Guest desk', '.list');
                $this->chrome->untilText('.sheet.open', 'Guest desk');
            },
        ];
    }

    private function surface(string $id, string $press): void
    {
        $at = (string) $this->chrome->driver->executeScript('return location.origin');
        $this->chrome->driver->get("{$at}/s/{$id}");
        $this->chrome->untilText('header', 'live');
        if ($press !== '') {
            $this->chrome->press($press, '.grid');
            $this->chrome->find('.plate.on');
        }
    }

    /** Both desks raise lamps, one of them is held by hand, and the tablet moves its fader. */
    private function play(): void
    {
        $this->go('Stand-ins');
        $this->chrome->press('Next slide', '[aria-label="Talk slides"]');
        foreach ([
            'House desk fader 1' => 200,
            'House desk fader 2' => 64,
            'House desk fader 3' => 128,
            'Guest desk fader 2' => 180,
            'Guest desk fader 4' => 90,
            "Guide's tablet fader" => 0.6,
            'Sound workstation fader' => 110,
            'Lectern fader 1' => 30,
            'Lectern fader 2' => 90,
            'Lectern fader 3' => 120,
            'Canopy media server layer 2 opacity' => 0.7,
        ] as $label => $value) {
            $this->slide($label, $value);
        }
        $this->go('Universes');
        $this->chrome->find('[data-slot="12"]')->click();
        $this->chrome->driver->getKeyboard()->sendKeys('231'."\u{E007}");
        $this->chrome->untilText('header.strip', '1 held');
    }

    private function slide(string $label, float|int $value): void
    {
        $this->go('Stand-ins');
        $fader = $this->chrome->find("input[aria-label=\"{$label}\"]");
        $this->chrome->driver->executeScript(
            'arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event("input", {bubbles: true}))',
            [$fader, $value],
        );
    }

    private function habit(string $device, string $habit): void
    {
        $this->go('Stand-ins');
        $this->chrome->press($habit, "[aria-label=\"{$device}\"]");
    }

    private function go(string $page): void
    {
        $this->chrome->press($page, 'nav.rail');
        $this->chrome->find('main h1');
    }

    /** Two seconds of traffic, so that rates and plots show something. */
    private function settle(): void
    {
        $begin = microtime(true);
        Background::until(static fn(): bool => microtime(true) - $begin > 2.0, 'Two seconds');
    }
}
