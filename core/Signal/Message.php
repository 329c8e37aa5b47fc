<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/** A typed event: the second of the two currencies. Arguments keep the exact numbers that arrived. */
final readonly class Message
{
    /**
     * @param string $address parts joined by "/", beginning with "/"
     * @param list<int|float|string> $arguments
     * @param string $words how people of its protocol say it; '' to say the address and the arguments
     */
    public function __construct(public Protocol $protocol, public string $address, public array $arguments, private string $words = '')
    {
    }

    /** The argument at a place counted from 1, if it is a number. */
    public function number(int $place): int|float|null
    {
        $value = $this->arguments[$place - 1] ?? null;

        return \is_int($value) || \is_float($value) ? $value : null;
    }

    public function spelled(): string
    {
        if ($this->words !== '') {
            return $this->words;
        }
        $parts = [$this->address];
        foreach ($this->arguments as $argument) {
            $parts[] = \is_string($argument) ? "\"{$argument}\"" : (string) (\is_float($argument) ? round($argument, 4) : $argument);
        }

        return implode(' ', $parts);
    }
}
