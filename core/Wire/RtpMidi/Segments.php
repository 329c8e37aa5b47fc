<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/**
 * Commands as packets carry them: none larger than a network takes in one piece; a long System Exclusive goes in segments,
 * a packet each (F0 … F0, F7 … F0, F7 … F7).
 *
 * Source: RFC 6295, 3.2.
 */
final class Segments
{
    /** Bytes of a list; with headers and journal below what Ethernet carries. */
    private const LONGEST = 512;

    /**
     * @param list<string> $commands whole MIDI commands
     *
     * @return list<list<Command>> by packet
     */
    public static function of(array $commands): array
    {
        $packets = [];
        $list = [];
        $length = 0;
        foreach ($commands as $command) {
            // A delta time stands before each but the first.
            if ($list !== [] && $length + \strlen($command) + 1 > self::LONGEST) {
                $packets[] = $list;
                $list = [];
                $length = 0;
            }
            if (\strlen($command) > self::LONGEST && $command[0] === "\xF0") {
                foreach (self::cut($command) as $segment) {
                    $packets[] = [new Command($segment)];
                }

                continue;
            }
            $list[] = new Command($command);
            $length += \strlen($command) + 1;
        }

        return $list === [] ? $packets : [...$packets, $list];
    }

    /** @return list<string> */
    private static function cut(string $exclusive): array
    {
        $pieces = str_split(substr($exclusive, 1, -1), self::LONGEST - 2);
        $last = \count($pieces) - 1;

        return array_map(
            static fn(string $piece, int $i): string => ($i === 0 ? "\xF0" : "\xF7").$piece.($i === $last ? "\xF7" : "\xF0"),
            $pieces,
            array_keys($pieces),
        );
    }
}
