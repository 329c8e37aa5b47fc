<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\AllowList;

/** What of the machine and of its networks a show may open. */
final readonly class Reach
{
    /** @param list<string> $forbidden networks that nobody is called in ("10.0.0.0/8"), by whatever a show says */
    public function __construct(public DeviceRules $devices = new DeviceRules(), private array $forbidden = [])
    {
    }

    /** @param string $who "10.0.0.9:8000" */
    public function mayCall(string $who): bool
    {
        return $this->forbidden === [] || ! (new AllowList($this->forbidden))->lets((string) strstr("{$who}:", ':', true));
    }
}
