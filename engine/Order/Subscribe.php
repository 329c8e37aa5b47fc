<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;
use NimbleJunction\Engine\Topic\ForGuests as ForGuestsToFollow;

/** A page follows these topics from now on, and no others. */
final readonly class Subscribe implements Order, ForGuests, InShowMode
{
    private const MOST = 10_000;

    /**
     * @param list<string> $topics
     * @param bool $anew the page has lost something: it is told everything again
     */
    public function __construct(private array $topics, private bool $anew)
    {
    }

    public static function kind(): string
    {
        return 'subscribe';
    }

    public static function label(): string
    {
        return 'Follow topics';
    }

    public static function fields(): array
    {
        return [
            new TextList('topics', 'Topics', self::MOST, 300),
            Field::flag('anew', 'All of it is told again', false),
        ];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $wanted = [];
        foreach ($this->topics as $topic) {
            [$name, $subject] = explode(':', $topic, 2) + [1 => ''];
            $known = $reach->topics[$name] ?? null;
            if ($known === null || ! $known->isSubject($subject)) {
                throw new CommandRefused("There is no topic \"{$topic}\".");
            }
            $surface = $reach->client->token->surface;
            if ($surface !== '' && ! ($known instanceof ForGuestsToFollow && $subject === $surface)) {
                throw new CommandRefused('Guests follow their own surface, and nothing else.');
            }
            $wanted[$topic] = $subject;
        }
        $reach->view->want($wanted, $this->anew);

        return null;
    }
}
