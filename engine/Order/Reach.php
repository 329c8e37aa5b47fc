<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Engine\Checks;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Lending;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\People;
use NimbleJunction\Engine\Surfaces\Touching;
use NimbleJunction\Engine\Tape\TapeDeck;
use NimbleJunction\Engine\Topic\Topic;

/** What an order of a page has within its reach. */
final readonly class Reach
{
    /** @param array<string, Topic> $topics */
    public function __construct(
        public Client $client,
        public PageView $view,
        public Engine $engine,
        public Lending $lending,
        public Checks $checks,
        public array $topics,
        public People $people,
        public Touching $touching,
    ) {
    }

    public function by(): string
    {
        return $this->client->token->user;
    }

    public function act(): Act
    {
        return new Act("person {$this->by()}", $this->by());
    }

    /** @throws CommandRefused */
    public function universe(string $id): Universe
    {
        return $this->engine->junction->universes()[$id]
            ?? throw new CommandRefused("There is no universe \"{$id}\" in the show.");
    }

    /** @throws CommandRefused */
    public function parameter(string $fixture, string $key): Placement
    {
        return $this->engine->show()->patch()->find($fixture, $key)
            ?? throw new CommandRefused("There is no parameter \"{$key}\" of a fixture \"{$fixture}\" in the show.");
    }

    /** @throws CommandRefused */
    public function point(?Reference $reference): Reference
    {
        if ($reference === null || $this->engine->junction->points()->describe($reference) === null) {
            $text = $reference?->text() ?? '';
            throw new CommandRefused("There is no point \"{$text}\" in the show. ".Reference::RULE);
        }

        return $reference;
    }

    /** @throws CommandRefused */
    public function deck(): TapeDeck
    {
        return $this->engine->tapes ?? throw new CommandRefused(
            'This engine keeps nothing: it was started without a data folder.',
        );
    }

    /**
     * @param string $refusal why something could not be done; '' when it is done
     *
     * @throws CommandRefused
     */
    public function done(string $refusal): void
    {
        if ($refusal !== '') {
            throw new CommandRefused(ucfirst($refusal).'.');
        }
    }
}
