<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** The time zone in which the machine is: as its environment says, or its settings. */
final class LocalZone
{
    private const LINK = '#/zoneinfo/(?:posix/|right/)?(.+)$#D';

    /** @param string $etc where its settings are */
    public static function of(string $etc = '/etc'): \DateTimeZone
    {
        $link = @readlink("{$etc}/localtime");
        $linked = $link !== false && preg_match(self::LINK, $link, $found) === 1 ? $found[1] : '';
        foreach ([(string) getenv('TZ'), trim((string) @file_get_contents("{$etc}/timezone")), $linked] as $name) {
            try {
                return $name === '' ? throw new \InvalidArgumentException() : new \DateTimeZone(ltrim($name, ':'));
            } catch (\Exception) {
                continue;
            }
        }

        return new \DateTimeZone('UTC');
    }
}
