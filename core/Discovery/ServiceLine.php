<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Discovery;

/**
 * A line of what a browser of services says, field by field with semicolons between: "+" somebody has come, "=" where they
 * are, "-" they have gone. Letters that would part fields are written as their number in three decimal digits.
 *
 * Source: avahi-browse(1), --parsable (crossed with the program itself).
 */
final readonly class ServiceLine
{
    private const COME = 6;
    private const RESOLVED = 9;
    private const LONGEST_NAME = 63;

    /** @param string $key the same for what comes and goes */
    private function __construct(public string $key, public ?Service $service, public bool $isGone)
    {
    }

    public static function read(string $line): ?self
    {
        $fields = explode(';', rtrim($line, "\n"));
        if (\count($fields) < self::COME || ! \in_array($fields[0], ['+', '=', '-'], true) || $fields[2] !== 'IPv4') {
            return null;
        }
        [$sign, $interface, , $name, $type] = $fields;
        $key = "{$interface} {$type} {$name}";
        if (! \in_array($type, Service::TYPES, true)) {
            return null;
        }
        if ($sign !== '=') {
            return new self($key, null, $sign === '-');
        }
        $address = $fields[7] ?? '';
        $port = (int) ($fields[8] ?? 0);
        if (
            \count($fields) < self::RESOLVED
            || filter_var($address, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) === false
            || $port < 1
            || $port > 65535
        ) {
            return null;
        }

        return new self($key, new Service($type, self::name($name), $port, $address), false);
    }

    /** As people read it. */
    private static function name(string $escaped): string
    {
        $name = (string) preg_replace_callback(
            '/\\\\(\d{3}|.)/s',
            static fn(array $found): string => \strlen($found[1]) === 3 ? \chr(min(255, (int) $found[1])) : $found[1],
            $escaped,
        );
        $name = (string) preg_replace('/\p{C}+/u', ' ', mb_scrub($name));

        return mb_substr(trim($name), 0, self::LONGEST_NAME);
    }
}
