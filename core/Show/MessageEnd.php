<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

final readonly class MessageEnd
{
    /**
     * @param int $argument counted from 1
     * @param string $type "float" or "int": how the number is sent
     */
    public function __construct(
        public string $port,
        public string $address,
        public int $argument,
        public string $type,
        public float $low,
        public float $high,
    ) {
    }
}
