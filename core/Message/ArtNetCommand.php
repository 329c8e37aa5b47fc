<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\Command;

/** An Art-Net command: a text for a device. */
final readonly class ArtNetCommand extends Message
{
    public function __construct(public Command $command)
    {
        parent::__construct(Protocol::ArtNet);
    }

    public function address(): string
    {
        return '/command';
    }

    public function arguments(): array
    {
        return [$this->command->text];
    }

    public function fields(): array
    {
        return ['text' => $this->command->text];
    }

    public function spelled(int $middleC = 4): string
    {
        return "a command: {$this->command->text}";
    }
}
