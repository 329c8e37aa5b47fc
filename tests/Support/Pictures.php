<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

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
    }

    /** @return array<string, callable(): void> */
    private function all(): array
    {
        return [
            'overview' => fn() => $this->go('Overview'),
            'ports' => function (): void {
                $this->go('Ports');
                $this->chrome->press("Guide's tablet", '.split');
            },
            'universe' => function (): void {
                $this->go('Universes');
                $this->chrome->find('[data-slot="1"]')->click();
            },
            'routes' => fn() => $this->go('Routes'),
            'stand-ins' => fn() => $this->go('Stand-ins'),
            'packets' => function (): void {
                $this->go('Packets');
                $this->chrome->press('MIDI Show Control', '.empty');
                $this->chrome->untilText('.fields-list', 'Q_number');
                $this->chrome->driver->action()->moveToElement($this->chrome->find('[data-byte="5"]'))->perform();
            },
            'show' => fn() => $this->go('Show'),
            'trace' => function (): void {
                $this->go('Overview');
                $this->drawer(true);
                $this->chrome->press('/palm/lantern', '.drawer');
            },
            'light-theme' => function (): void {
                $this->drawer(false);
                $this->go('Universes');
                $this->chrome->press('Light', 'header.strip');
            },
        ];
    }

    /** Both desks raise lamps, one of them is held by hand, and the tablet moves its fader. */
    private function play(): void
    {
        $this->go('Stand-ins');
        foreach (['House desk fader 1' => 200, 'House desk fader 2' => 64, 'House desk fader 3' => 128, 'Guest desk fader 2' => 180, 'Guest desk fader 4' => 90, "Guide's tablet fader" => 0.6] as $label => $value) {
            $fader = $this->chrome->find("input[aria-label=\"{$label}\"]");
            $this->chrome->driver->executeScript('arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event("input", {bubbles: true}))', [$fader, $value]);
        }
        $this->go('Universes');
        $this->chrome->find('[data-slot="12"]')->click();
        $this->chrome->driver->getKeyboard()->sendKeys('231'."\u{E007}");
        $this->chrome->untilText('header.strip', '1 held');
    }

    private function drawer(bool $open): void
    {
        $handle = $this->chrome->find('button.handle');
        if (($handle->getAttribute('aria-expanded') === 'true') !== $open) {
            $handle->click();
        }
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
