<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Osc\Pattern;

/**
 * Whom a message is meant for: an OSC address may be a pattern that stands for many (OSC 1.0, "OSC Message
 * Dispatching and Pattern Matching").
 */
final class Addressed
{
    /**
     * @template T
     *
     * @param array<string, list<T>> $byAddress
     *
     * @return list<T> those at the message's address, or at each that its pattern stands for, in their order
     */
    public static function among(array $byAddress, Message $message): array
    {
        $exact = $byAddress[$message->address()] ?? null;
        if ($exact !== null || $message->protocol !== Protocol::Osc || ! Pattern::isPattern($message->address())) {
            return $exact ?? [];
        }
        try {
            $pattern = Pattern::of($message->address());
        } catch (Malformed) {
            // A bracket that is not closed stands for nothing.
            return [];
        }
        // What comes before the first wildcard is compared at once, so that most addresses cost nothing.
        $literal = strcspn($message->address(), '?*[{');
        $found = [];
        foreach ($byAddress as $address => $listeners) {
            if (strncmp($address, $message->address(), $literal) === 0 && $pattern->matches($address)) {
                array_push($found, ...$listeners);
            }
        }

        return $found;
    }
}
