<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;

/** A System Exclusive message of a maker's own. */
final readonly class Exclusive extends Message implements Encodable
{
    public function __construct(public SystemExclusive $exclusive)
    {
        parent::__construct(Protocol::Midi);
    }

    /** @return string all of it, from F0 to F7, in hexadecimal */
    public function hex(): string
    {
        return 'f0'.bin2hex($this->exclusive->data).'f7';
    }

    public function address(): string
    {
        return '/system-exclusive';
    }

    public function arguments(): array
    {
        return [$this->hex()];
    }

    public function fields(): array
    {
        return ['data' => $this->hex()];
    }

    public function spelled(int $middleC = 4): string
    {
        return 'System Exclusive of '.(\strlen($this->exclusive->data) + 2).' bytes';
    }

    public function encode(): string
    {
        return $this->exclusive->encode();
    }
}
