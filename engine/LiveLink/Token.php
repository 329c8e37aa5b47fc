<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

/**
 * A short-lived word that a browser shows at the live link: who it is, what it may, until when. It is good for one link, and
 * signed with HMAC-SHA256.
 */
final readonly class Token
{
    public const LIFETIME_SECONDS = 60;

    /**
     * @param string $surface id of the only surface that it is for; '' for all
     * @param string $visit the same as long as somebody stays: a guest, or a person who has logged in; '' where that is not known
     * @param string $nonce another one for each token
     */
    public function __construct(
        public string $user,
        public Role $role,
        public int $until,
        public string $surface = '',
        public string $visit = '',
        public string $nonce = '',
    ) {
    }

    /** @return int seconds since 1970 */
    public function signedAt(): int
    {
        return $this->until - self::LIFETIME_SECONDS;
    }

    /** @param int $time seconds since 1970 */
    public static function sign(
        string $user,
        Role $role,
        string $secret,
        int $time,
        string $surface = '',
        string $visit = '',
    ): string {
        $fields = [$user, $role->value, $time + self::LIFETIME_SECONDS, $surface, $visit, bin2hex(random_bytes(8))];
        $body = rtrim(strtr(base64_encode(json_encode($fields, \JSON_THROW_ON_ERROR)), '+/', '-_'), '=');

        return "{$body}.".hash_hmac('sha256', $body, $secret);
    }

    public static function verify(string $token, string $secret, int $time): ?self
    {
        [$body, $mac] = explode('.', $token, 2) + [1 => ''];
        if (! hash_equals(hash_hmac('sha256', $body, $secret), $mac)) {
            return null;
        }
        $fields = json_decode((string) base64_decode(strtr($body, '-_', '+/'), true), true);
        $isWhole = \is_array($fields)
            && \is_string($fields[0] ?? null)
            && \is_string($fields[1] ?? null)
            && \is_int($fields[2] ?? null)
            && \is_string($fields[3] ?? null)
            && \is_string($fields[4] ?? null)
            && \is_string($fields[5] ?? null);
        if (! $isWhole) {
            return null;
        }
        $role = Role::tryFrom($fields[1]);
        // A guest is one of a surface, and nobody else is.
        $isSound = $role !== null && $fields[2] >= $time && ($role === Role::Guest) === ($fields[3] !== '');

        return $isSound ? new self($fields[0], $role, $fields[2], $fields[3], $fields[4], $fields[5]) : null;
    }
}
