<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/**
 * What was said at a port, or is to be said there, with its exact fields: the
 * second of the two currencies. Each kind is a class in the room of messages.
 */
abstract readonly class Message
{
    public function __construct(public Protocol $protocol)
    {
    }

    /** What it is found by: parts joined by "/", beginning with "/". */
    abstract public function address(): string;

    /** @return list<int|float|string> its values in their order */
    abstract public function arguments(): array;

    /** @return array<string, int|float|string> what it says, by the names of its standard */
    abstract public function fields(): array;

    /**
     * How people of its protocol say it.
     *
     * @param int $middleC octave number of note 60: makers differ
     */
    abstract public function spelled(int $middleC = 4): string;

    /** Whether it comes many times a second and says little by itself: it leaves no trace where nobody asks for it. */
    public function isTick(): bool
    {
        return false;
    }

    /** The value at a place counted from 1, if it is a number. */
    public function number(int $place): int|float|null
    {
        $value = $this->arguments()[$place - 1] ?? null;

        return \is_int($value) || \is_float($value) ? $value : null;
    }
}
