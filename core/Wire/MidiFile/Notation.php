<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\MidiFile;

use NimbleJunction\Core\Wire\Layout\Notation as NotationInterface;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Plain;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\VariableLength;

/** A whole MIDI file, event by event. */
final readonly class Notation implements NotationInterface
{
    /** @param \Closure(string): string $describe a channel message in words */
    public function __construct(private \Closure $describe)
    {
    }

    public function read(string $bytes): Part
    {
        $file = File::decode($bytes);
        $tracks = [];
        foreach (File::chunks($bytes) as $i => [$at, $end]) {
            $events = [];
            foreach (Track::read($bytes, $at, $end) as $k => [$event, $offset, $length]) {
                $events[] = $this->event((string) $k, $event, $offset, $length);
            }
            $tracks[] = Part::list((string) $i, $at - 8, $end - $at + 8, $events);
        }

        return Part::group('Standard MIDI File', 0, \strlen($bytes), [
            Part::value('format', 8, 2, $file->format),
            Part::value('ntrks', 10, 2, \count($file->tracks)),
            Part::value('division', 12, 2, $file->division->word(), $file->division->spelled()),
            Part::list('MTrk', 14, \strlen($bytes) - 14, $tracks),
        ]);
    }

    public function write(array $fields): string
    {
        $tracks = $fields['MTrk'] ?? null;
        if (! \is_array($tracks) || $tracks === [] || (isset($fields['ntrks']) && $fields['ntrks'] !== \count($tracks))) {
            throw Unwritable::field('MTrk', $fields['ntrks'] ?? null, 'use a list of tracks, as many as ntrks says');
        }
        $read = [];
        foreach ($tracks as $i => $events) {
            $list = [];
            foreach (\is_array($events) ? $events : throw Unwritable::field("MTrk/{$i}", $events, 'use a list of events') as $k => $event) {
                $list[] = self::fromPlain(\is_array($event) ? $event : [], "MTrk/{$i}/{$k}");
            }
            $read[] = new Track($list);
        }
        try {
            $division = Division::read(Plain::whole($fields['division'] ?? 480, 'division', 0, 65535));
            $bytes = (new File(
                Plain::whole($fields['format'] ?? (\count($read) === 1 ? 0 : 1), 'format', 0, 2),
                $division,
                $read,
            ))->encode();
            File::decode($bytes);
        } catch (Malformed $malformed) {
            throw Unwritable::field('Standard MIDI File', null, $malformed->getMessage());
        }

        return $bytes;
    }

    private function event(string $name, Event $event, int $offset, int $length): Part
    {
        $size = \strlen($event->bytes);
        $delta = Part::value('delta-time', $offset, \strlen(VariableLength::write($event->delta)), $event->delta);
        $at = $offset + $length - $size;
        $tempo = $event->tempoMicros();

        return match (true) {
            $event->kind === EventKind::Channel => Part::group(
                $name,
                $offset,
                $length,
                [$delta, Part::value('MIDI event', $offset + $delta->length, $length - $delta->length, bin2hex($event->bytes))],
                ($this->describe)($event->bytes),
            ),
            $event->kind === EventKind::Exclusive => Part::group(
                $name,
                $offset,
                $length,
                [$delta, Part::value('sysex event F0', $at, $size, bin2hex($event->bytes))],
            ),
            $event->kind === EventKind::Escape => Part::group(
                $name,
                $offset,
                $length,
                [$delta, Part::value('sysex event F7', $at, $size, bin2hex($event->bytes))],
            ),
            $tempo !== null => Part::group(
                $name,
                $offset,
                $length,
                [
                    $delta,
                    Part::value('meta-event', $offset + $delta->length + 1, 1, $event->type),
                    Part::value('tempo', $at, 3, $tempo),
                ],
                $event->metaName().', '.($tempo === 0 ? 'never' : round(60e6 / $tempo, 3)).' quarter notes a minute',
            ),
            $event->isText() && preg_match('//u', $event->bytes) === 1 => Part::group(
                $name,
                $offset,
                $length,
                [
                    $delta,
                    Part::value('meta-event', $offset + $delta->length + 1, 1, $event->type),
                    Part::value('text', $at, $size, $event->bytes),
                ],
                $event->metaName(),
            ),
            default => Part::group(
                $name,
                $offset,
                $length,
                [
                    $delta,
                    Part::value('meta-event', $offset + $delta->length + 1, 1, $event->type),
                    Part::value('data', $at, $size, bin2hex($event->bytes)),
                ],
                $event->metaName(),
            ),
        };
    }

    /** @param array<mixed> $fields */
    private static function fromPlain(array $fields, string $path): Event
    {
        foreach (array_keys($fields) as $name) {
            $known = ['delta-time', 'MIDI event', 'sysex event F0', 'sysex event F7', 'meta-event', 'tempo', 'text', 'data'];
            if (! \in_array($name, $known, true)) {
                throw Unwritable::unknown("{$path}/{$name}", $known);
            }
        }
        $delta = Plain::whole($fields['delta-time'] ?? 0, "{$path}/delta-time", 0, VariableLength::HIGHEST);
        if (isset($fields['MIDI event'])) {
            $message = Plain::bytes($fields['MIDI event'], "{$path}/MIDI event");
            $status = \ord($message[0] ?? "\0");

            return $status >= 0x80 && $status < 0xF0
                ? Event::channel($delta, $message)
                : throw Unwritable::field(
                    "{$path}/MIDI event",
                    $fields['MIDI event'],
                    'use a channel message with its status byte',
                );
        }
        foreach (['sysex event F0' => Event::exclusive(...), 'sysex event F7' => Event::escape(...)] as $name => $make) {
            if (isset($fields[$name])) {
                return $make($delta, Plain::bytes($fields[$name], "{$path}/{$name}"));
            }
        }
        $type = Plain::whole($fields['meta-event'] ?? null, "{$path}/meta-event", 0, 127);
        if (isset($fields['tempo'])) {
            return Event::meta($delta, $type, substr(pack('N', Plain::whole($fields['tempo'], "{$path}/tempo", 0, 0xFFFFFF)), 1));
        }
        $text = $fields['text'] ?? null;

        return Event::meta($delta, $type, \is_string($text) ? $text : Plain::bytes($fields['data'] ?? '', "{$path}/data"));
    }
}
