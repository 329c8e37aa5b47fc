<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

/** Which of our addresses can reach another one. */
final readonly class Network
{
    /** @param list<array{name: string, address: string, netmask: string}> $adapters */
    public function __construct(public array $adapters)
    {
    }

    /** @param string $where one of our addresses, or the name of an adapter */
    public function has(string $where): bool
    {
        return str_starts_with($where, '127.') || $this->addressesOf($where) !== [];
    }

    /**
     * @param string $where an IPv4 address, or the name of an adapter
     *
     * @return list<string> the addresses that it stands for now; none when there is no such adapter
     */
    public function addressesOf(string $where): array
    {
        $found = array_filter(
            $this->adapters,
            static fn(array $one): bool => $one['address'] === $where || $one['name'] === $where,
        );

        return array_values(array_column($found, 'address'));
    }

    /** @return array{name: string, address: string, netmask: string}|null our adapter in the same network */
    public function facing(string $other): ?array
    {
        foreach ($this->adapters as $adapter) {
            // All of 127.0.0.0/8 is this machine, whatever its netmask says.
            $mask = str_starts_with($adapter['address'], '127.') ? '255.0.0.0' : ($adapter['netmask'] ?: '255.255.255.255');
            if (((int) ip2long($adapter['address']) & (int) ip2long($mask)) === ((int) ip2long($other) & (int) ip2long($mask))) {
                return $adapter;
            }
        }

        return null;
    }

    public function spelled(): string
    {
        return implode(
            ', ',
            array_map(
                static fn(array $one): string => "{$one['address']} (netmask {$one['netmask']}, {$one['name']})",
                $this->adapters,
            ),
        );
    }

    /** The broadcast address of an adapter's network. */
    public static function broadcast(string $address, string $netmask): string
    {
        return (string) long2ip(((int) ip2long($address) | ~(int) ip2long($netmask)) & 0xFFFFFFFF);
    }
}
