<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Wire\Osc\Argument;

/** One argument of an OSC message that is sent. */
interface SendArgument extends Kind
{
    /** @param array<string, int|float|string> $fields what arrived, by name */
    public function make(float $value, array $fields): Argument;

    public function words(): string;
}
