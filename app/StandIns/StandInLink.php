<?php

declare(strict_types=1);

namespace App\StandIns;

use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\LiveLink\Conversation;
use NimbleJunction\StandIn\Rack;

/** Lets pages play the stand-ins and see them, over a live link of their own. */
final class StandInLink implements Conversation
{
    /** Every second turn of 30 a second is enough for a picture of lamps. */
    private const EVERY = 2;

    /** @var \WeakMap<Client, array{turn: int, shown: string}> */
    private \WeakMap $views;

    public function __construct(private readonly Rack $rack)
    {
        $this->views = new \WeakMap();
    }

    public function opened(Client $client): void
    {
        $this->views[$client] = ['turn' => 0, 'shown' => ''];
        $client->tell(['type' => 'welcome', 'user' => $client->token->user, 'role' => $client->token->role->value]);
    }

    public function closed(Client $client): void
    {
        unset($this->views[$client]);
    }

    public function ready(Client $client): void
    {
        $view = $this->views[$client] ?? null;
        if ($view === null) {
            return;
        }
        if (++$view['turn'] % self::EVERY === 0) {
            $state = $this->rack->state();
            $json = json_encode($state, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
            if ($json !== $view['shown']) {
                $client->tell(['type' => 'stand-ins', 'devices' => $state]);
                $view['shown'] = $json;
            }
        }
        $this->views[$client] = $view;
    }

    public function heard(Client $client, array $message): void
    {
        $id = $message['id'] ?? null;
        try {
            if (! $client->token->role->mayOperate()) {
                throw new \InvalidArgumentException('Viewers cannot make changes: log in as operator or builder.');
            }
            ['device' => $device, 'control' => $control, 'values' => $values] = $message + [
                'device' => null,
                'control' => null,
                'values' => [],
            ];
            if (! \is_string($device) || ! \is_string($control) || ! \is_array($values)) {
                throw new \InvalidArgumentException('"device" and "control" must be texts, "values" an object.');
            }
            $this->rack->play($device, $control, $values);
            $client->answer(['type' => 'answer', 'id' => $id, 'ok' => true]);
        } catch (\InvalidArgumentException $refused) {
            $client->answer(['type' => 'answer', 'id' => $id, 'ok' => false, 'error' => $refused->getMessage()]);
        } catch (\Throwable $fault) {
            // A fault of the stand-in: said, and written where whoever started it looks.
            fwrite(STDERR, "A stand-in failed: {$fault}\n");
            $client->answer([
                'type' => 'answer',
                'id' => $id,
                'ok' => false,
                'error' => "The stand-in failed on this ({$fault->getMessage()}).",
            ]);
        }
    }
}
