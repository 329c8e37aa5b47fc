<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Engine\Discovery\ServiceDiscovery;
use NimbleJunction\Engine\Health\FaultLog;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\LiveLink\Conversation;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\Net\Descriptors;
use NimbleJunction\Engine\Order\ForGuests;
use NimbleJunction\Engine\Order\InShowMode;
use NimbleJunction\Engine\Order\Orders;
use NimbleJunction\Engine\Order\Reach;
use NimbleJunction\Engine\Said\Welcome;
use NimbleJunction\Engine\Surfaces\Touching;
use NimbleJunction\Engine\Topic\Topic;
use NimbleJunction\Engine\Topic\Topics;

/** What a page and the engine say to each other: the page follows topics and gives orders. */
final class JunctionLink implements Conversation
{
    /** One page must not keep the loop: what is not shown within this time is shown at the next turn. */
    private const MOST_NANOS = 5_000_000;

    /** @var \WeakMap<Client, PageView> */
    private \WeakMap $views;

    /** @var array<string, Topic> by name */
    private readonly array $topics;
    private readonly Lending $lending;
    private readonly Checks $checks;
    public readonly People $people;
    private readonly Touching $touching;

    public function __construct(
        private readonly Engine $engine,
        Warnings $warnings,
        private readonly FaultLog $faults,
        Descriptors $descriptors,
        public readonly ShowMode $showMode = new ShowMode(),
        ?ServiceDiscovery $discovery = null,
    ) {
        $this->views = new \WeakMap();
        $ports = new PortReport($engine->junction, $engine->transports, $discovery);
        $this->touching = new Touching();
        $this->people = new People($this->touching, $engine->sentAway);
        $this->topics = Topics::of($engine, $ports, $warnings, $descriptors, $this->people, $this->showMode);
        $this->lending = new Lending($engine->transports->lent);
        $this->checks = new Checks($engine, $ports);
    }

    public function opened(Client $client): void
    {
        $this->views[$client] = new PageView();
        $this->people->came($client);
        $client->tell(new Welcome($client->token->user, $client->token->role->value));
    }

    public function closed(Client $client): void
    {
        unset($this->views[$client]);
        $this->people->left($client);
        foreach ($this->touching->gone($client) as [$point, $rest, $act]) {
            // Whoever is gone holds nothing down.
            $this->engine->set($point, $rest, $act);
        }
        $this->lending->gone($client);
    }

    public function heard(Client $client, array $message): void
    {
        $id = $message['id'] ?? null;
        try {
            $client->answer(['type' => 'answer', 'id' => $id, 'ok' => true, ...$this->obey($client, $message)]);
        } catch (CommandRefused $refused) {
            $client->answer(['type' => 'answer', 'id' => $id, 'ok' => false, 'error' => $refused->getMessage()]);
        } catch (\Throwable $fault) {
            $this->faults->note('carrying out a command of a page', $fault);
            $client->answer([
                'type' => 'answer',
                'id' => $id,
                'ok' => false,
                'error' => "The engine failed on this command ({$fault->getMessage()}): it is written down, and everything else goes on.",
            ]);
        }
    }

    public function ready(Client $client): void
    {
        $view = $this->views[$client] ?? null;
        if ($view === null) {
            return;
        }
        $now = Engine::now();
        foreach ($view->inTurn() as $name => $subject) {
            if (Engine::now() - $now > self::MOST_NANOS) {
                $view->goOnAt($name);

                return;
            }
            $topic = $this->topics[$subject === '' ? $name : strstr($name, ':', true)] ?? null;
            if ($topic !== null && $view->isTime($name, $now, $topic->everyNanos())) {
                $topic->show($client, $view, $subject, $now);
            }
        }
    }

    /**
     * @param array<mixed> $message
     *
     * @return array<string, mixed> what the answer has beside "ok"
     *
     * @throws CommandRefused
     */
    private function obey(Client $client, array $message): array
    {
        $order = Orders::read($message);
        if ($order::isForOperators() && ! $client->token->role->mayOperate()) {
            throw new CommandRefused('Viewers cannot make changes: log in as operator or builder.');
        }
        if (! $order instanceof ForGuests && $client->token->role === Role::Guest) {
            throw new CommandRefused('Guests use their surface, and nothing else.');
        }
        if ($this->showMode->isOn() && ! $order instanceof InShowMode) {
            throw new CommandRefused(
                "Show mode, by {$this->showMode->by}: only the live page and surfaces work. Unlock it with the code first.",
            );
        }
        $view = $this->views[$client] ?? new PageView();
        $reach = new Reach(
            $client,
            $view,
            $this->engine,
            $this->lending,
            $this->checks,
            $this->topics,
            $this->people,
            $this->touching,
        );

        return $order->obey($reach)?->jsonSerialize() ?? [];
    }
}
