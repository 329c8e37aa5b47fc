<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** An event with names for what a template took of it: texts and conditions may speak of them. */
final readonly class Named implements Event
{
    /** @param array<int|string, int|float|string> $names they go before the event's own */
    public function __construct(private Event $event, private array $names)
    {
    }

    public function keys(): array
    {
        return $this->event->keys();
    }

    public function fields(): array
    {
        return $this->names + $this->event->fields();
    }

    /** @param array<int|string, int|float|string> $names */
    public static function of(Event $event, array $names): Event
    {
        return $names === [] ? $event : new self($event, $names);
    }
}
