<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

/** A short-lived word that a browser shows at the live link: who it is, what it may, until when. Signed with HMAC-SHA256. */
final readonly class Token
{
    public const LIFETIME_SECONDS = 60;

    public function __construct(public string $user, public Role $role, public int $until)
    {
    }

    /** @param int $time seconds since 1970 */
    public static function sign(string $user, Role $role, string $secret, int $time): string
    {
        $body = rtrim(
            strtr(
                base64_encode(json_encode([$user, $role->value, $time + self::LIFETIME_SECONDS], \JSON_THROW_ON_ERROR)),
                '+/',
                '-_',
            ),
            '=',
        );

        return "{$body}.".hash_hmac('sha256', $body, $secret);
    }

    public static function verify(string $token, string $secret, int $time): ?self
    {
        [$body, $mac] = explode('.', $token, 2) + [1 => ''];
        if (! hash_equals(hash_hmac('sha256', $body, $secret), $mac)) {
            return null;
        }
        $fields = json_decode((string) base64_decode(strtr($body, '-_', '+/'), true), true);
        if (! \is_array($fields) || ! \is_string($fields[0] ?? null) || ! \is_string($fields[1] ?? null) || ! \is_int($fields[2] ?? null)) {
            return null;
        }
        $role = Role::tryFrom($fields[1]);

        return $role === null || $fields[2] < $time ? null : new self($fields[0], $role, $fields[2]);
    }
}
