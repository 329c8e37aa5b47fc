<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/** One network adapter, as it was when it was looked at. */
final readonly class Adapter
{
    /** @param array<string, string> $addresses netmask by IPv4 address */
    public function __construct(public string $name, public bool $isUp, public array $addresses)
    {
    }

    public function isLoopback(): bool
    {
        return $this->name === 'lo';
    }

    /** The system's number for it: another one after it was taken away and put back. 0 when it is gone. */
    public function index(): int
    {
        return (int) @file_get_contents("/sys/class/net/{$this->name}/ifindex");
    }

    /** Whether a cable is plugged in, or whatever stands for one. */
    public function hasLink(): bool
    {
        return $this->isLoopback() || trim((string) @file_get_contents("/sys/class/net/{$this->name}/carrier")) !== '0';
    }
}
