<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\MidiFile;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\MidiStatus;
use NimbleJunction\Core\Wire\VariableLength;

/** One track chunk: events in their order, the last of them End of Track. */
final readonly class Track
{
    private const CLAUSE = 'Standard MIDI Files 1.0, Track Chunks';

    /** @param list<Event> $events */
    public function __construct(public array $events)
    {
    }

    /**
     * @param int $offset of the first byte behind the chunk's length
     * @param int $end behind its last byte
     *
     * @return list<array{Event, int, int}> event, its offset, its length
     *
     * @throws Malformed
     */
    public static function read(string $bytes, int $offset, int $end): array
    {
        $events = [];
        $running = 0;
        while ($offset < $end) {
            $began = $offset;
            $delta = VariableLength::read($bytes, $offset, $end, self::CLAUSE);
            $event = self::event($bytes, $offset, $end, $delta, $running);
            $events[] = [$event, $began, $offset - $began];
            if ($event->isMeta(Event::END_OF_TRACK)) {
                if ($offset !== $end) {
                    throw Malformed::at($offset, ($end - $offset).' bytes stand behind End of Track', self::CLAUSE);
                }

                return $events;
            }
        }

        throw Malformed::at($end, 'the track has no End of Track', self::CLAUSE);
    }

    public function encode(): string
    {
        $running = 0;
        $bytes = '';
        foreach ($this->events as $event) {
            $bytes .= $event->encode($running);
        }
        $last = $this->events[\count($this->events) - 1] ?? null;
        if ($last === null || ! $last->isMeta(Event::END_OF_TRACK)) {
            $bytes .= Event::meta(0, Event::END_OF_TRACK)->encode($running);
        }

        return 'MTrk'.pack('N', \strlen($bytes)).$bytes;
    }

    /** @throws Malformed */
    private static function event(string $bytes, int &$offset, int $end, int $delta, int &$running): Event
    {
        if ($offset >= $end) {
            throw Malformed::at($offset, 'an event is missing behind its delta time', self::CLAUSE);
        }
        $status = \ord($bytes[$offset]);
        if ($status < 0xF0) {
            return Event::channel($delta, self::channel($bytes, $offset, $end, $running));
        }
        $running = 0;
        ++$offset;
        if ($status === 0xFF) {
            $type = $offset < $end ? \ord($bytes[$offset]) : 0x80;
            if ($type > 0x7F) {
                throw Malformed::at($offset, 'the type of a meta event is missing or above 127', self::CLAUSE);
            }
            ++$offset;

            return Event::meta($delta, $type, self::data($bytes, $offset, $end));
        }
        if ($status !== 0xF0 && $status !== 0xF7) {
            throw Malformed::at($offset - 1, \sprintf('status 0x%02X does not stand in a file', $status), self::CLAUSE);
        }
        $data = self::data($bytes, $offset, $end);

        return $status === 0xF0 ? Event::exclusive($delta, $data) : Event::escape($delta, $data);
    }

    /** @throws Malformed */
    private static function channel(string $bytes, int &$offset, int $end, int &$running): string
    {
        $status = \ord($bytes[$offset]);
        if ($status >= 0x80) {
            $running = $status;
            ++$offset;
        } elseif ($running === 0) {
            throw Malformed::at($offset, 'a data byte stands where a status byte is needed', self::CLAUSE);
        }
        $length = MidiStatus::dataBytes($running) ?? 0;
        if ($offset + $length > $end) {
            throw Malformed::at($end, 'a channel message is cut off', self::CLAUSE);
        }
        $data = substr($bytes, $offset, $length);
        if ($data[0] > "\x7F" || $data[-1] > "\x7F") {
            throw Malformed::at($data[0] > "\x7F" ? $offset : $offset + 1, 'a data byte has its top bit set', self::CLAUSE);
        }
        $message = \chr($running).$data;
        $offset += $length;

        return $message;
    }

    /** @throws Malformed */
    private static function data(string $bytes, int &$offset, int $end): string
    {
        $at = $offset;
        $length = VariableLength::read($bytes, $offset, $end, self::CLAUSE);
        if ($offset + $length > $end) {
            throw Malformed::at($at, "length says {$length} bytes, ".($end - $offset).' are left in the track', self::CLAUSE);
        }
        $data = substr($bytes, $offset, $length);
        $offset += $length;

        return $data;
    }
}
