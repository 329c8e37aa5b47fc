<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Signal\Message;

/**
 * Why a message that no route takes was nearly taken by one: the sentence that finds the fault. It is looked for when
 * somebody reads it.
 */
final class NearMiss
{
    private const MOST_LOOKED_AT = 2000;

    /** @return array{route: Route, why: string}|null */
    public static function find(Plan $plan, string $portId, Message $message): ?array
    {
        $looked = 0;
        $best = null;
        $bestDistance = 4;
        foreach ($plan->index->byAddress() as $routePort => $addresses) {
            foreach ($addresses as $address => $routes) {
                if (++$looked > self::MOST_LOOKED_AT) {
                    break 2;
                }
                $route = $routes[0]->route;
                if ($address === $message->address()) {
                    if ((string) $routePort !== $portId) {
                        return [
                            'route' => $route,
                            'why' => "listens for this address on {$plan->portName((string) $routePort)}, it came in on {$plan->portName($portId)}",
                        ];
                    }

                    continue;
                }
                if (
                    (string) $routePort !== $portId
                    || abs(\strlen($address) - \strlen($message->address())) > 3
                    || \strlen($address) > 120
                ) {
                    continue;
                }
                $distance = strcasecmp($address, $message->address()) === 0 ? 0 : levenshtein($address, $message->address());
                if ($distance < $bestDistance) {
                    $bestDistance = $distance;
                    $best = ['route' => $route, 'why' => self::otherwise($address, $message->address(), $distance, $plan)];
                }
            }
        }

        return $best;
    }

    private static function otherwise(string $wanted, string $is, int $distance, Plan $plan): string
    {
        [$midi, $came] = [$plan->agreed->address($wanted, $plan->middleC), $plan->agreed->address($is, $plan->middleC)];

        return match (true) {
            $midi !== null && $came !== null => "waits for {$midi}, this is {$came}",
            $distance === 0 => "listens for {$wanted}: capital letters differ",
            default => "listens for {$wanted}: {$distance} ".($distance === 1 ? 'character differs' : 'characters differ'),
        };
    }
}
