<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;

/** Whether the port is at an address that we have, and at the one that faces the other end. */
final readonly class OurAddress implements Question
{
    private const WORDS = 'Our address';

    public function ask(Scene $scene): array
    {
        if (! $scene->isNetworked()) {
            return [];
        }
        $network = $scene->network;
        $other = $scene->other;
        $facing = $other === '' ? null : $network->facing($other);
        foreach (['receive' => $scene->port->receive?->address, 'send' => $scene->port->send?->address] as $side => $address) {
            if ($address === null || $address === '0.0.0.0') {
                continue;
            }
            if (! $network->has($address)) {
                $isName = filter_var($address, \FILTER_VALIDATE_IP) === false;

                return [Finding::wrong(
                    self::WORDS,
                    ($isName ? "There is no network adapter {$address} now." : "{$address} is no address of this machine now.")
                        ." We are {$network->spelled()}.",
                    'Use another address, or plug the adapter in that has this one.',
                    self::moved($side, $facing['address'] ?? '0.0.0.0'),
                )];
            }
            if (
                $facing !== null
                && ! str_starts_with($other, '127.')
                && ! \in_array($address, [$facing['address'], $facing['name']], true)
            ) {
                return [Finding::wrong(
                    self::WORDS,
                    "This port uses {$address}, but {$other} is reached through {$facing['address']} ({$facing['name']}).",
                    'Use the adapter that faces the other end.',
                    self::moved($side, $facing['address']),
                )];
            }
        }

        return [Finding::right(self::WORDS, "We are {$network->spelled()}.")];
    }

    /** @return array{label: string, changes: array<string, mixed>} */
    private static function moved(string $side, string $address): array
    {
        return [
            'label' => 'Use '.($address === '0.0.0.0' ? 'every adapter' : $address),
            'changes' => ["{$side}/address" => $address],
        ];
    }
}
