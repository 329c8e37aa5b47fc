<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/** Whether other machines of our own networks answer at all (ARP). Source: proc(5), /proc/net/arp; flag 2 is a complete entry. */
final class Machines
{
    private const COMPLETE = 2;

    /** @return array<string, bool> by address; not there where nobody has asked for it lately */
    public static function known(): array
    {
        $known = [];
        foreach (\array_slice(@file('/proc/net/arp') ?: [], 1) as $line) {
            $fields = preg_split('/\s+/', trim($line)) ?: [];
            $known[$fields[0]] = (hexdec(substr($fields[2] ?? '0x0', 2)) & self::COMPLETE) !== 0;
        }

        return $known;
    }
}
