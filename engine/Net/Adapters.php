<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/** The network adapters of this machine as they are now, with their IPv4 addresses. */
final readonly class Adapters
{
    /** @param array<string, Adapter> $adapters by name */
    private function __construct(public array $adapters)
    {
    }

    public static function now(): self
    {
        $adapters = [];
        foreach (net_get_interfaces() ?: [] as $name => $found) {
            if (\is_string($name) && \is_array($found)) {
                $adapters[$name] = new Adapter(
                    $name,
                    ($found['up'] ?? false) === true,
                    self::addresses($found['unicast'] ?? null),
                );
            }
        }

        return new self($adapters);
    }

    /** The same as long as there are the same adapters, with the same addresses and links. */
    public function signature(): string
    {
        $words = [];
        foreach ($this->adapters as $adapter) {
            $words[] = "{$adapter->name} {$adapter->index()} ".implode(' ', array_keys($adapter->addresses)).($adapter->isUp ? ' up' : '')
                .($adapter->isUp && $adapter->hasLink() ? ' linked' : '');
        }

        return implode('; ', $words);
    }

    /** @return list<array{name: string, address: string, netmask: string}> IPv4 only, those that are up */
    public static function all(): array
    {
        $all = [];
        foreach (self::now()->adapters as $adapter) {
            foreach ($adapter->isUp ? $adapter->addresses : [] as $address => $netmask) {
                $all[] = ['name' => $adapter->name, 'address' => $address, 'netmask' => $netmask];
            }
        }

        return $all;
    }

    /** @param string $where the name of an adapter, or one of its addresses; any in 127.0.0.0/8 is the loopback's */
    public function find(string $where): ?Adapter
    {
        if (isset($this->adapters[$where])) {
            return $this->adapters[$where];
        }
        foreach ($this->adapters as $adapter) {
            if (isset($adapter->addresses[$where]) || (str_starts_with($where, '127.') && $adapter->isLoopback())) {
                return $adapter;
            }
        }

        return null;
    }

    /** @return array<string, string> netmask by IPv4 address */
    private static function addresses(mixed $unicast): array
    {
        $addresses = [];
        foreach (\is_array($unicast) ? $unicast : [] as $one) {
            if (\is_array($one) && ($one['family'] ?? null) === \AF_INET && \is_string($one['address'] ?? null)) {
                $netmask = $one['netmask'] ?? '';
                $addresses[$one['address']] = \is_string($netmask) ? $netmask : '';
            }
        }

        return $addresses;
    }
}
