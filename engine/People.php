<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\LiveLink\Expelled;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\Said\Person;
use NimbleJunction\Engine\Surfaces\SentAway;
use NimbleJunction\Engine\Surfaces\Touching;

/** Who has a page open, and where each of them is. */
final class People
{
    /** A page that is closed with this code does not come back by itself. */
    public const SENT_AWAY = 4403;

    /** A page that is closed with this code asks for another token: it is told what it may now, or to log in. */
    public const ASK_AGAIN = 4401;

    /** More are counted, not named. */
    private const MOST = 50;

    /** @var array<int, array{Client, string, int}> page, place, and when it came, by its number */
    private array $places = [];

    /** @var \WeakMap<Client, int> */
    private \WeakMap $numbers;
    private int $last = 0;
    private readonly Expelled $expelled;

    public function __construct(private readonly Touching $touching, private readonly SentAway $sentAway = new SentAway())
    {
        $this->expelled = new Expelled();
        $this->numbers = new \WeakMap();
    }

    public function came(Client $client): void
    {
        if ($this->expelled->is($client->token)) {
            $client->end(self::ASK_AGAIN, 'what this page may has changed');
        }
        if ($this->sentAway->is($client->token->visit)) {
            $client->end(self::SENT_AWAY, 'sent away');
        }
        $this->numbers[$client] = ++$this->last;
        $this->places[$this->last] = [
            $client,
            $client->token->surface === '' ? '' : "/s/{$client->token->surface}",
            Engine::now(),
        ];
    }

    public function left(Client $client): void
    {
        unset($this->places[$this->numbers[$client] ?? 0]);
    }

    public function stands(Client $client, string $place): void
    {
        $number = $this->numbers[$client] ?? 0;
        if (isset($this->places[$number])) {
            $this->places[$number][1] = $place;
        }
    }

    /** @return bool whether there was such a guest */
    public function sendAway(int $number): bool
    {
        $client = $this->places[$number][0] ?? null;
        if ($client?->token->role !== Role::Guest) {
            return false;
        }
        $this->sentAway->add($client->token->visit);
        foreach ($this->places as [$other]) {
            if ($other->token->visit === $client->token->visit) {
                $other->end(self::SENT_AWAY, 'sent away');
            }
        }

        return true;
    }

    /**
     * Somebody may something else from now on, or has logged out: the pages that they have open are closed, and with them what these lend.
     *
     * @param string $user whose pages are all closed; '' for nobody
     * @param string $visit whose pages are closed, whoever that is; '' for none
     *
     * @return int how many pages were closed
     */
    public function expel(string $user, string $visit): int
    {
        $this->expelled->add($user, $visit, time());
        $closed = 0;
        foreach ($this->places as [$client]) {
            $isTheirs = $user !== '' && $client->token->user === $user && $client->token->role !== Role::Guest;
            if ($isTheirs || ($visit !== '' && $client->token->visit === $visit)) {
                $client->end(self::ASK_AGAIN, 'what this page may has changed');
                ++$closed;
            }
        }

        return $closed;
    }

    /** @return list<Person> everybody else, in the order in which they came */
    public function beside(Client $client): array
    {
        $people = [];
        foreach ($this->places as $number => [$other, $place, $cameAt]) {
            if ($other !== $client && \count($people) < self::MOST) {
                $touchedAt = $this->touching->lastAt($other);
                $people[] = new Person(
                    $number,
                    $other->token->user,
                    $other->token->role->value,
                    $place,
                    $other->address,
                    Engine::millis($cameAt),
                    $touchedAt === null ? null : round(Engine::millis($touchedAt), -3),
                );
            }
        }

        return $people;
    }
}
