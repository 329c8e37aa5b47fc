<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

use NimbleJunction\Engine\LiveLink\WebSocket\Handshake;

/** Who may come in: the page must be one of ours, the token must be signed by us and not too old. */
final readonly class Gate
{
    /** @param list<string> $origins allowed besides pages from the same host as the link itself */
    public function __construct(private string $secret, private array $origins = [])
    {
    }

    public function admit(Handshake $handshake, int $time): ?Token
    {
        return $this->isOurs($handshake) ? Token::verify($handshake->query['token'] ?? '', $this->secret, $time) : null;
    }

    private function isOurs(Handshake $handshake): bool
    {
        if ($handshake->origin === '') {
            return false;
        }
        if (\in_array($handshake->origin, $this->origins, true)) {
            return true;
        }
        $page = parse_url($handshake->origin, \PHP_URL_HOST);
        $link = parse_url("http://{$handshake->host}", \PHP_URL_HOST);

        return \is_string($page) && $page === $link;
    }
}
