<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/** The network adapters of this machine and their IPv4 addresses. */
final class Adapters
{
    /** @return list<array{name: string, address: string, netmask: string}> IPv4 only, those that are up */
    public static function all(): array
    {
        $found = [];
        foreach (net_get_interfaces() ?: [] as $name => $adapter) {
            if (! \is_string($name) || ! \is_array($adapter) || ($adapter['up'] ?? false) !== true || ! \is_array($adapter['unicast'] ?? null)) {
                continue;
            }
            foreach ($adapter['unicast'] as $unicast) {
                if (\is_array($unicast) && ($unicast['family'] ?? null) === \AF_INET && \is_string($unicast['address'] ?? null)) {
                    $netmask = $unicast['netmask'] ?? '';
                    $found[] = ['name' => $name, 'address' => $unicast['address'], 'netmask' => \is_string($netmask) ? $netmask : ''];
                }
            }
        }

        return $found;
    }

    /** The adapter that has this address; any address in 127.0.0.0/8 is the loopback's. */
    public static function named(string $address): ?string
    {
        foreach (self::all() as $adapter) {
            if ($adapter['address'] === $address || (str_starts_with($address, '127.') && str_starts_with($adapter['address'], '127.'))) {
                return $adapter['name'];
            }
        }

        return null;
    }
}
