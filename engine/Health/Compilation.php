<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Health;

/** How this process runs its hot code: compiled, with the flags of bin/engine-php, or not. */
final readonly class Compilation
{
    /** Set for an engine that was started again because compiled code computed wrong things: what was wrong. */
    public const DISTRUST = 'JUNCTION_DISTRUST';

    /** Whether hot code is compiled in this process. */
    public static function isOn(): bool
    {
        $status = \function_exists('opcache_get_status') ? opcache_get_status(false) : false;

        return \is_array($status) && \is_array($status['jit'] ?? null) && ($status['jit']['on'] ?? false) === true;
    }

    public static function words(): string
    {
        return 'PHP '.\PHP_VERSION.(self::isOn() ? ', compiled (opcache.jit='.\ini_get('opcache.jit').')' : ', not compiled');
    }

    /** What was wrong with the compiled code of the process before this one; '' for nothing. */
    public static function distrust(): string
    {
        return (string) getenv(self::DISTRUST);
    }

    /**
     * Makes this very process begin again, without the compiler. Everything that is open must have been closed.
     *
     * @param string $why what the compiled code got wrong
     */
    public static function beginAgainWithout(string $why): never
    {
        /** @var list<string> $words */
        $words = $_SERVER['argv'] ?? [];
        putenv(self::DISTRUST."={$why}");
        pcntl_exec(\PHP_BINARY, ['-d', 'opcache.jit=disable', ...$words], getenv());

        throw new \RuntimeException(
            'The engine cannot be started again without the compiler: '.pcntl_strerror(pcntl_get_last_error()).'.',
        );
    }
}
