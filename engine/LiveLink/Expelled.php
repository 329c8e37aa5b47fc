<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

/** Whose rights have ended: tokens that were signed before are good for nothing, whoever shows them. */
final class Expelled
{
    /** @var array<string, int> when, by person */
    private array $users = [];

    /** @var array<string, int> when, by visit */
    private array $visits = [];

    /**
     * @param string $user whose rights are others now; '' for nobody
     * @param string $visit that is over; '' for none
     * @param int $time seconds since 1970
     */
    public function add(string $user, string $visit, int $time): void
    {
        $isRecent = static fn(int $at): bool => $at >= $time - Token::LIFETIME_SECONDS;
        $this->users = array_filter($this->users, $isRecent);
        $this->visits = array_filter($this->visits, $isRecent);
        if ($user !== '') {
            $this->users[$user] = $time;
        }
        if ($visit !== '') {
            $this->visits[$visit] = $time;
        }
    }

    public function is(Token $token): bool
    {
        $at = max(
            $token->role === Role::Guest ? 0 : $this->users[$token->user] ?? 0,
            $token->visit === '' ? 0 : $this->visits[$token->visit] ?? 0,
        );

        return $token->signedAt() <= $at;
    }
}
