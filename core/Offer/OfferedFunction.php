<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Wording;

/** What a run of values of an offered parameter does: one class a kind, which says the same for slots, OSC and MIDI. */
interface OfferedFunction extends Kind
{
    /** What people call it; '' where what it does says enough. */
    public function name(): string;

    /** Lowest value of its run. */
    public function first(): int;

    /** @param int $highest what its parameter goes up to */
    public function last(int $highest): int;

    /** @return array<string, Reference> points that it sets or presses, by the path of the field that names each */
    public function points(): array;

    /** Whether it acts once, as its run is entered, a note begins or a message comes; or follows a value. */
    public function isPressed(): bool;

    /**
     * What becomes of a value in the slots.
     *
     * @return list<Step>
     */
    public function fromSlots(int $highest): array;

    /**
     * What becomes of an argument of an OSC message.
     *
     * @return list<Step>
     */
    public function fromOsc(): array;

    /**
     * What becomes of the value of a controller.
     *
     * @param int $highest 127, or 16383
     *
     * @return list<Step>
     */
    public function fromController(int $highest): array;

    /** @return list<Action> */
    public function actions(): array;

    /** Which argument an OSC message has, in words. */
    public function argument(): string;

    /** @return string what it does: "Lantern, level from 0 to 100" */
    public function words(Wording $wording): string;
}
