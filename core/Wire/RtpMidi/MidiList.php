<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\MidiStatus;
use NimbleJunction\Core\Wire\VariableLength;

/**
 * The commands of one packet. Running status holds within the list; System
 * Exclusive may be cut into segments: F0 … F0, F7 … F0, F7 … F7, and F7 … F4
 * to give it up.
 *
 * Source: RFC 6295, 3.2.
 */
final class MidiList
{
    private const CLAUSE = 'RFC 6295, 3.2';

    /**
     * @param int $offset of its first byte
     * @param int $end behind its last byte
     * @param bool $firstDelta whether a delta time stands before the first command (the Z bit)
     *
     * @return list<array{Command, int, int}> command, offset of its delta time, length with it
     *
     * @throws Malformed
     */
    public static function read(string $bytes, int $offset, int $end, bool $firstDelta): array
    {
        $entries = [];
        $running = 0;
        while ($offset < $end) {
            $began = $offset;
            $delta = $entries !== [] || $firstDelta ? VariableLength::read($bytes, $offset, $end, self::CLAUSE) : 0;
            if ($offset >= $end) {
                // A delta time may close the list without a command.
                $entries[] = [new Command('', $delta), $began, $offset - $began];

                break;
            }
            $command = self::command($bytes, $offset, $end, $running);
            $entries[] = [new Command($command, $delta), $began, $offset - $began];
        }

        return $entries;
    }

    /** @param list<Command> $commands */
    public static function write(array $commands): string
    {
        $bytes = '';
        foreach ($commands as $i => $command) {
            $bytes .= ($i === 0 && $command->delta === 0 ? '' : VariableLength::write($command->delta)).$command->bytes;
        }

        return $bytes;
    }

    /** @throws Malformed */
    private static function command(string $bytes, int &$offset, int $end, int &$running): string
    {
        $status = \ord($bytes[$offset]);
        if ($status < 0x80) {
            if ($running === 0) {
                throw Malformed::at($offset, 'the first command has no status byte', self::CLAUSE);
            }
            $status = $running;
        } else {
            ++$offset;
        }
        if ($status === 0xF0 || $status === 0xF7) {
            $running = 0;

            return self::exclusive($bytes, $offset, $end, $status);
        }
        $length = MidiStatus::dataBytes($status);
        if ($length === null) {
            throw Malformed::at($offset - 1, \sprintf('status 0x%02X is not defined', $status), self::CLAUSE);
        }
        if ($offset + $length > $end) {
            throw Malformed::at($end, 'the last command is cut off', self::CLAUSE);
        }
        $data = substr($bytes, $offset, $length);
        if (preg_match('/[\x80-\xFF]/', $data, $found, \PREG_OFFSET_CAPTURE) === 1) {
            throw Malformed::at($offset + $found[0][1], 'a data byte has its top bit set', self::CLAUSE);
        }
        $offset += $length;
        if ($status < 0xF0) {
            $running = $status;
        } elseif ($status < 0xF8) {
            $running = 0;
        }

        return \chr($status).$data;
    }

    /** @throws Malformed */
    private static function exclusive(string $bytes, int &$offset, int $end, int $status): string
    {
        $length = strcspn($bytes, implode('', array_map(\chr(...), range(0x80, 0xFF))), $offset, $end - $offset);
        $close = $offset + $length < $end ? \ord($bytes[$offset + $length]) : 0;
        if ($close !== 0xF7 && $close !== 0xF0 && ! ($close === 0xF4 && $status === 0xF7)) {
            throw Malformed::at($offset + $length, 'System Exclusive is not closed by F7, F0 or F4', self::CLAUSE);
        }
        $data = substr($bytes, $offset, $length + 1);
        $offset += $length + 1;

        return \chr($status).$data;
    }
}
