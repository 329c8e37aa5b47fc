<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/** Something heard that carries neither levels nor an event, in words; perhaps with bytes to answer it. */
final readonly class Remark
{
    /**
     * @param list<string> $answers datagrams for whoever asked
     * @param int|null $answerPort UDP port that they go to; null for the one that asked
     * @param list<int> $addressAt where in each answer the address of ours stands that the asker reaches us by
     */
    public function __construct(
        public string $words,
        public array $answers = [],
        public ?int $answerPort = null,
        public array $addressAt = [],
    ) {
    }
}
