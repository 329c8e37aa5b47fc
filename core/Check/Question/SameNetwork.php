<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;

/** Whether both are in one network: an address and a netmask that fit each other, as it is mostly done on a stage (common practice, no source). */
final readonly class SameNetwork implements Question
{
    private const WORDS = 'Same network';

    public function ask(Scene $scene): array
    {
        if (! $scene->isNetworked()) {
            return [];
        }
        $ours = $scene->network->spelled();
        if ($scene->other === '') {
            $stranger = $this->stranger($scene);

            return [$stranger === null
                ? Finding::open(
                    self::WORDS,
                    'The other end\'s address is not known.',
                    'Read it from the other end and type it above.',
                )
                : Finding::wrong(
                    self::WORDS,
                    "{$stranger} is heard, and is in none of our networks: its broadcasts reach us, and nothing that we send reaches it. We are {$ours}.",
                    'Give one of the two an address in the other\'s range, with the same netmask.',
                )];
        }
        $facing = $scene->network->facing($scene->other);

        return [$facing === null
            ? Finding::wrong(
                self::WORDS,
                "{$scene->other} is in none of our networks. We are {$ours}.",
                'Give one of the two an address in the other\'s range, with the same netmask.',
            )
            : Finding::right(self::WORDS, "{$scene->other} is in the network of {$facing['address']} ({$facing['name']}).")];
    }

    /** A sender that we hear though it is in another network: only its broadcasts, or its multicast, come here. */
    private function stranger(Scene $scene): ?string
    {
        foreach (array_keys($scene->seen->activity->senders) as $address) {
            if (
                filter_var($address, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) !== false
                && $scene->network->facing($address) === null
            ) {
                return $address;
            }
        }

        return null;
    }
}
