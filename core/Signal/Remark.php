<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/** Something heard that carries neither levels nor an event, in words; perhaps with bytes to answer it. */
final readonly class Remark
{
    /** @param list<string> $answers datagrams for whoever asked */
    public function __construct(public string $words, public array $answers = [])
    {
    }
}
