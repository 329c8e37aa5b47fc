<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/**
 * Where a socket of ours stands: an address, an adapter, or everywhere, found
 * among the adapters of this moment. When it would be found otherwise later
 * (another address, the adapter taken away and put back), the socket has to be
 * opened anew: the mark says so.
 */
final readonly class Place
{
    public const EVERYWHERE = '0.0.0.0';

    /**
     * @param string $address to bind to
     * @param Adapter|null $adapter the one that it keeps to; null for all, and for the loopback
     * @param string $mark the same as long as a socket that was opened there still stands right
     */
    private function __construct(public string $address, public ?Adapter $adapter, public string $mark)
    {
    }

    /**
     * @param string $where an IPv4 address of ours, the name of an adapter, or 0.0.0.0
     *
     * @throws CannotListen
     */
    public static function find(string $where, Adapters $adapters): self
    {
        if ($where === self::EVERYWHERE) {
            return new self($where, null, $where);
        }
        $adapter = $adapters->find($where);
        if ($adapter === null) {
            throw new CannotListen(filter_var($where, \FILTER_VALIDATE_IP) === false
                ? "There is no network adapter {$where}: plug it in, or choose another. There are "
                    .implode(', ', array_keys($adapters->adapters)).'.'
                : "{$where} is not an address of this machine: choose one of its adapters, or 0.0.0.0 for all.");
        }
        if (! $adapter->isUp) {
            throw new CannotListen(
                "The network adapter {$adapter->name} is switched off: switch it on. Until then nothing is received or sent there.",
            );
        }
        if ($adapter->isLoopback()) {
            return new self($where === $adapter->name ? '127.0.0.1' : $where, null, $where);
        }
        $isNamed = $where === $adapter->name;
        if ($isNamed && $adapter->addresses === []) {
            throw new CannotListen(
                "The network adapter {$where} has no IPv4 address yet: give it one, or wait for its DHCP server.",
            );
        }
        $address = $isNamed ? self::EVERYWHERE : $where;

        return new self(
            $address,
            $adapter,
            "{$where} {$adapter->name} {$adapter->index()} ".implode(' ', array_keys($adapter->addresses)),
        );
    }

    /** One address for what cannot keep to an adapter (a TCP door, a session): its own, or the first one of the adapter. */
    public static function oneAddress(string $where): string
    {
        $place = self::find($where, Adapters::now());

        return $place->address === self::EVERYWHERE && $place->adapter !== null
            ? (string) array_key_first($place->adapter->addresses)
            : $place->address;
    }

    /** Whether broadcasts of the adapter come to another socket than the one bound to the address. */
    public function needsEar(): bool
    {
        return $this->adapter !== null && $this->address !== self::EVERYWHERE;
    }
}
