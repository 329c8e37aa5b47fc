<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rerouting;

use NimbleJunction\Core\Document\Asked;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;

/** All that can be done to many routes at once. */
final class Reroutings
{
    public const ALL = [Renumber::class, OtherChannel::class, OtherPort::class];

    /**
     * @param array<mixed> $asked "kind" and its fields
     *
     * @throws ShowRefused
     */
    public static function read(array $asked): Rerouting
    {
        $read = Asked::of(self::ALL, $asked);
        if (! $read->kind instanceof Rerouting) {
            throw ShowRefused::because(
                $read->faults === [] ? [new Fault('', 'it says nothing to do', 'Give a kind.')] : $read->faults,
            );
        }

        return $read->kind;
    }

    /**
     * @param array<mixed> $route of the document
     *
     * @return array<mixed> as it is to be
     */
    public static function applied(Rerouting $rerouting, array $route): array
    {
        $from = $route['from'] ?? null;
        $isSlot = \is_array($from) && ($from['kind'] ?? null) === 'slot';
        foreach (['when' => true, 'do' => false, 'from' => ! $isSlot, 'to' => false] as $side => $isCause) {
            if (\is_array($route[$side] ?? null)) {
                $route[$side] = self::within($rerouting, $route[$side], $isCause);
            }
        }

        return $route;
    }

    /**
     * @param array<mixed> $part
     *
     * @return array<mixed>
     */
    private static function within(Rerouting $rerouting, array $part, bool $isCause): array
    {
        foreach ($part as $name => $one) {
            if (\is_array($one)) {
                $part[$name] = self::within($rerouting, $one, $isCause);
            }
        }

        return isset($part['kind']) ? $rerouting->part($part, $isCause) : $part;
    }
}
