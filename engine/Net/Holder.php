<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/**
 * Which program of this machine has a UDP or TCP port, as far as the system lets us see. Source: proc(5), /proc/net/udp and
 * tcp.
 */
final class Holder
{
    /** Looking at more programs than this would take longer than a lamp may wait. */
    private const MOST_PROGRAMS = 1000;

    /** State of a TCP socket that listens. */
    private const LISTENS = '0A';

    /** @return string "puredata (process 4242)"; '' where that cannot be seen */
    public static function of(string $address, int $port, string $table = 'udp'): string
    {
        $inodes = self::inodes($address, $port, $table);
        if ($inodes === []) {
            return '';
        }
        foreach (\array_slice(glob('/proc/[0-9]*', \GLOB_NOSORT) ?: [], 0, self::MOST_PROGRAMS) as $folder) {
            foreach (@scandir("{$folder}/fd") ?: [] as $descriptor) {
                if (isset($inodes[(string) @readlink("{$folder}/fd/{$descriptor}")])) {
                    return self::named($folder);
                }
            }
        }

        return '';
    }

    /** @return array<string, true> "socket:[4711]", of those that stand in the way of this address */
    private static function inodes(string $address, int $port, string $table): array
    {
        $inodes = [];
        foreach (@file("/proc/net/{$table}") ?: [] as $line) {
            $fields = preg_split('/\s+/', trim($line)) ?: [];
            [$hex, $number] = explode(':', $fields[1] ?? '', 2) + ['', ''];
            if (
                ! ctype_xdigit($number)
                || hexdec($number) !== $port
                || ($table === 'tcp' && ($fields[3] ?? '') !== self::LISTENS)
            ) {
                continue;
            }
            $theirs = implode('.', array_map(hexdec(...), array_reverse(str_split($hex, 2))));
            if ($theirs === $address || $theirs === Place::EVERYWHERE || $address === Place::EVERYWHERE) {
                $inodes["socket:[{$fields[9]}]"] = true;
            }
        }

        return $inodes;
    }

    private static function named(string $folder): string
    {
        $words = explode("\0", (string) @file_get_contents("{$folder}/cmdline"));
        $name = trim((string) @file_get_contents("{$folder}/comm"));
        // An interpreter is named with what it runs.
        $script = preg_match('/^(php|python|node|ruby|perl|java)/', $name) === 1 ? basename(self::script($words)) : '';

        return ($script === '' ? $name : "{$name} {$script}").' (process '.basename($folder).')';
    }

    /** @param list<string> $words of a command line */
    private static function script(array $words): string
    {
        foreach (\array_slice($words, 1) as $word) {
            if (preg_match('/^[\w.\/][\w.\/-]*$/', $word) === 1) {
                return $word;
            }
        }

        return '';
    }
}
