<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** An axis or a button of a game controller has moved. */
final readonly class Control extends Message
{
    /**
     * @param string $kind axis or button
     * @param int $number from 1
     * @param float $value -1 to 1 for an axis, 0 to 1 for a button
     */
    public function __construct(public string $kind, public int $number, public float $value)
    {
        parent::__construct(Protocol::GameController);
    }

    public function address(): string
    {
        return "/{$this->kind}/{$this->number}";
    }

    public function arguments(): array
    {
        return [$this->value];
    }

    public function fields(): array
    {
        return [$this->kind => $this->number, 'value' => $this->value];
    }

    public function spelled(int $middleC = 4): string
    {
        return "{$this->kind} {$this->number} at ".round($this->value, 3);
    }
}
