<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A look is recalled, or a cue goes: what sets off what it does besides. */
final readonly class WhenTrigger implements Trigger
{
    public function __construct(private Occurred $what)
    {
    }

    /**
     * What a look or a cue does besides, as an ordinary route.
     *
     * @param string $id one that no route of a show can have: its parts are parted by dots
     * @param list<\NimbleJunction\Core\Route\Action> $do
     */
    public static function route(string $id, string $name, Occurred $what, array $do): Route
    {
        return new Route($id, $name, true, [new self($what)], [], [], $do);
    }

    public static function kind(): string
    {
        return 'when';
    }

    public static function label(): string
    {
        return 'A look is recalled, or a cue goes';
    }

    public static function fields(): array
    {
        return [];
    }

    public function keys(): array
    {
        return $this->what->keys();
    }

    public function take(Event $event): ?Taken
    {
        return $event instanceof Occurred ? new Taken(1.0, 'is set off by it') : null;
    }

    public function sample(): Event
    {
        return $this->what;
    }

    public function words(Wording $wording): string
    {
        return $wording->point((string) ($this->what->fields()['point'] ?? '')).' is recalled';
    }
}
