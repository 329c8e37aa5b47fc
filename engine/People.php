<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\Said\Person;

/** Who has a page open, and where each of them is. */
final class People
{
    /** More are counted, not named. */
    private const MOST = 50;

    /** @var array<int, array{Client, string}> page and place, by page */
    private array $places = [];

    public function came(Client $client): void
    {
        $this->places[spl_object_id($client)] = [$client, ''];
    }

    public function left(Client $client): void
    {
        unset($this->places[spl_object_id($client)]);
    }

    public function stands(Client $client, string $place): void
    {
        $this->places[spl_object_id($client)] = [$client, $place];
    }

    /** @return list<Person> everybody else, in the order in which they came */
    public function beside(Client $client): array
    {
        $people = [];
        foreach ($this->places as [$other, $place]) {
            if ($other !== $client && \count($people) < self::MOST) {
                $people[] = new Person($other->token->user, $other->token->role->value, $place);
            }
        }

        return $people;
    }
}
