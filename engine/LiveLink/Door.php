<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

/** Where pages come in, and which ones may. */
final readonly class Door
{
    /**
     * @param string $address "127.0.0.1:8081"; '' for no door
     * @param string $secret that tokens are signed with
     * @param list<string> $origins of pages on other hosts
     */
    public function __construct(public string $address = '', private string $secret = '', private array $origins = [])
    {
    }

    public function gate(): Gate
    {
        return new Gate($this->secret, $this->origins);
    }
}
