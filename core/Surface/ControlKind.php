<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;

/** What a control is: one class a kind, which says what it moves, what can be done to it, and what it shows. */
interface ControlKind extends Kind
{
    /** @return array<string, list<Binding>> the points that each of its axes moves; '' for its only one */
    public function axes(): array;

    /** @return list<Reference> other points that it sets, presses or shows */
    public function others(): array;

    /** @return array<string, PointKind> what can be set and pressed of it, by name: '' for the control itself */
    public function parts(): array;

    /** @return string why a part of it cannot be set so; '' when it is done */
    public function move(string $part, int|float|string $value, Hand $hand): string;

    /** @return string why a part of it cannot be pressed; '' when it is done */
    public function press(string $part, Hand $hand): string;

    /** What it shows now. */
    public function shown(Hand $hand): Shown;

    /** @return array<string, scalar|list<scalar>> what a page has to know of it to draw it, and to feel right */
    public function traits(): array;
}
