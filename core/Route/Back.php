<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Signal\Message;

/** What a route's control is told of what it drives. */
interface Back extends Kind
{
    /** @return string what the control does, to follow "and" */
    public function words(): string;

    /** @return string why it cannot be told; '' where it can */
    public function problem(Route $route): string;

    /** @return Reference|null the point whose value it shows */
    public function point(Route $route): ?Reference;

    /** @return list<Reference> others that decide what it shows */
    public function besides(): array;

    public function message(Route $route, float $value, Readings $readings): ?Message;

    /**
     * What it is told besides.
     *
     * @param float $value of the point
     * @param float|null $before of which it was told last; null where it knows nothing yet
     *
     * @return list<Message>
     */
    public function alongside(Route $route, float $value, ?float $before, Readings $readings): array;

    /** @return float difference of values that is not worth telling, in the control's own terms */
    public function deadBand(): float;

    /** @return float shortest time between two messages, in seconds */
    public function gap(): float;

    /** @return float|null seconds after which it is told again, whatever it shows; null for never */
    public function every(): ?float;

    /** @return bool whether what the control sends is what it shows from then on, as a fader's is */
    public function isWhatItSends(): bool;
}
