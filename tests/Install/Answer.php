<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Install;

/** What a web server has answered. */
final readonly class Answer
{
    /** @param array<string, list<string>> $headers by name in small letters */
    public function __construct(public int $status, public array $headers, public string $body, public string $error)
    {
    }

    public function header(string $name): string
    {
        return implode(', ', $this->headers[$name] ?? []);
    }

    /** @return array<mixed> */
    public function json(): array
    {
        return (array) json_decode($this->body, true);
    }
}
