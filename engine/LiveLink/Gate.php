<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

use NimbleJunction\Engine\LiveLink\WebSocket\Handshake;

/** Who may come in: the page must be one of ours, the token must be signed by us, not too old, and not have been shown before. */
final class Gate
{
    /** @var array<string, int> until when a token that was shown would be good, by its nonce */
    private array $shown = [];

    /** @param list<string> $origins allowed besides pages from the same host as the link itself */
    public function __construct(private readonly string $secret, private readonly array $origins = [])
    {
    }

    public function admit(Handshake $handshake, int $time): ?Token
    {
        $token = $this->isOurs($handshake) ? Token::verify($handshake->token, $this->secret, $time) : null;

        return $token !== null && $this->isFirst($token, $time) ? $token : null;
    }

    private function isFirst(Token $token, int $time): bool
    {
        // What is too old is refused anyway: nothing grows.
        $this->shown = array_filter($this->shown, static fn(int $until): bool => $until >= $time);
        $isFirst = ! isset($this->shown[$token->nonce]);
        $this->shown[$token->nonce] = $token->until;

        return $isFirst;
    }

    private function isOurs(Handshake $handshake): bool
    {
        if ($handshake->origin === '') {
            return false;
        }
        if (\in_array(strtolower($handshake->origin), $this->origins, true)) {
            return true;
        }
        $page = parse_url($handshake->origin, \PHP_URL_HOST);
        $link = parse_url("http://{$handshake->host}", \PHP_URL_HOST);

        return \is_string($page) && $page === $link;
    }
}
