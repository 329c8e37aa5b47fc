<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\Trigger;

/** An Art-Net trigger: a key and a sub-key. */
final readonly class ArtNetTrigger extends Message
{
    public function __construct(public Trigger $trigger)
    {
        parent::__construct(Protocol::ArtNet);
    }

    public function address(): string
    {
        return "/trigger/{$this->trigger->key}/{$this->trigger->subKey}";
    }

    public function arguments(): array
    {
        return [$this->trigger->subKey];
    }

    public function fields(): array
    {
        return ['key' => $this->trigger->key, 'sub-key' => $this->trigger->subKey];
    }

    public function spelled(int $middleC = 4): string
    {
        return "a trigger: key {$this->trigger->key}, sub-key {$this->trigger->subKey}";
    }
}
