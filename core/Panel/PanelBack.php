<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel;

use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Back;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Signal\Message;

/** What a part of a panel is told of the control that it moves, as long as the panel is on that page. */
final readonly class PanelBack implements Back
{
    /**
     * @param Back|null $inner null where it has neither motor nor lamp
     * @param Reference $control that it moves
     * @param Reference|null $page of the panel; null where it has all of them at once
     * @param float $on the page that the control is on, from 1
     * @param list<Reference> $hangsOn what the control moves, and may show something else by
     * @param Reference $name of the control, as it is called now
     * @param Reference $text its value in words
     * @param string $nameAddress where its name is told by OSC, when nothing is known yet; '' for nowhere
     */
    public function __construct(
        private ?Back $inner,
        private Reference $control,
        private ?Reference $page,
        private float $on,
        private array $hangsOn,
        private ?Display $display,
        private Reference $name,
        private Reference $text,
        private string $nameAddress = '',
    ) {
    }

    public static function kind(): string
    {
        return 'panel';
    }

    public static function label(): string
    {
        return 'A part of a panel';
    }

    public static function fields(): array
    {
        return [];
    }

    public function words(): string
    {
        return $this->inner?->words() ?? 'its display shows it';
    }

    public function problem(Route $route): string
    {
        return '';
    }

    public function point(Route $route): Reference
    {
        return $this->control;
    }

    public function besides(): array
    {
        return $this->page === null ? $this->hangsOn : [$this->page, ...$this->hangsOn];
    }

    public function message(Route $route, float $value, Readings $readings): ?Message
    {
        return $this->isOn($readings) ? $this->inner?->message($route, $value, $readings) : null;
    }

    /** Its display: the name when it knows nothing yet, the value whenever it is another one. */
    public function alongside(Route $route, float $value, ?float $before, Readings $readings): array
    {
        if (! $this->isOn($readings)) {
            return [];
        }
        $isKnown = $before !== null && ($this->display?->shows === 'name' || $before === $value);
        $shown = $this->display === null || $isKnown
            ? []
            : [$this->display->message((string) $readings->read($this->name), (string) $readings->read($this->text))];

        $called = $before === null && $this->nameAddress !== ''
            ? [Osc::of($this->nameAddress, [(string) $readings->read($this->name)])]
            : [];

        return [...$called, ...$this->inner?->alongside($route, $value, $before, $readings) ?? [], ...$shown];
    }

    public function deadBand(): float
    {
        return $this->inner?->deadBand() ?? 0.0;
    }

    public function gap(): float
    {
        return $this->inner?->gap() ?? 0.025;
    }

    public function every(): ?float
    {
        return null;
    }

    public function isWhatItSends(): bool
    {
        return $this->inner?->isWhatItSends() ?? false;
    }

    private function isOn(Readings $readings): bool
    {
        return $this->page === null || (float) $readings->read($this->page) === $this->on;
    }
}
