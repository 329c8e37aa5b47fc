<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

/** Whose packets a port listens to. */
final readonly class AllowList
{
    /** @var list<array{int, int}> network and mask */
    private array $networks;

    /** @param list<string> $entries IPv4 addresses and networks ("10.0.0.0/8"); none lets everybody in */
    public function __construct(public array $entries = [])
    {
        $this->networks = array_map(static function (string $entry): array {
            [$address, $bits] = explode('/', $entry, 2) + [1 => '32'];
            $mask = (int) $bits === 0 ? 0 : 0xFFFFFFFF << 32 - (int) $bits & 0xFFFFFFFF;

            return [(int) ip2long($address) & $mask, $mask];
        }, $entries);
    }

    /** @param string $from IPv4; other names (of a browser's device) always pass */
    public function lets(string $from): bool
    {
        if ($this->networks === []) {
            return true;
        }
        $address = ip2long($from);
        if ($address === false) {
            return true;
        }
        foreach ($this->networks as [$network, $mask]) {
            if (($address & $mask) === $network) {
                return true;
            }
        }

        return false;
    }
}
