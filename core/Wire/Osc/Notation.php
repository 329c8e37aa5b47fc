<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Layout\Notation as NotationInterface;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Unwritable;

/** OSC packets field by field. What JSON has no number for is written as text: "NaN", "Infinity", "-Infinity". */
final class Notation implements NotationInterface
{
    public function read(string $bytes): Part
    {
        return self::part('OSC Packet', Packet::parse($bytes), 0);
    }

    public function write(array $fields): string
    {
        return self::packet($fields, '')->encode();
    }

    private static function part(string $name, Message|Bundle $packet, int $offset): Part
    {
        $length = \strlen($packet->encode());
        if ($packet instanceof Bundle) {
            $elements = [];
            $at = $offset + 16;
            foreach ($packet->elements as $i => $element) {
                $elements[] = self::part((string) $i, $element, $at + 4);
                $at += 4 + \strlen($element->encode());
            }

            return Part::group($name, $offset, $length, [
                Part::value('OSC-string', $offset, 8, '#bundle'),
                self::timeTag('OSC Time Tag', $packet->timeTag, $offset + 8),
                Part::list('OSC Bundle Elements', $offset + 16, $length - 16, $elements),
            ], 'a bundle, '.$packet->timeTag->spelled());
        }
        $addressLength = \strlen(Padded::write($packet->address));
        $tagsLength = \strlen(Padded::write($packet->tags()));
        $arguments = self::arguments($packet->arguments, $at = $offset + $addressLength + $tagsLength);

        return Part::group($name, $offset, $length, [
            Part::value('OSC Address Pattern', $offset, $addressLength, mb_scrub($packet->address, 'UTF-8')),
            Part::value('OSC Type Tag String', $offset + $addressLength, $tagsLength, $packet->tags()),
            Part::list('OSC Arguments', $at, $length - $addressLength - $tagsLength, $arguments),
        ], mb_scrub($packet->spelled(), 'UTF-8'));
    }

    /**
     * @param list<Argument> $arguments
     *
     * @return list<Part>
     */
    private static function arguments(array $arguments, int $at): array
    {
        $parts = [];
        foreach ($arguments as $i => $argument) {
            $length = \strlen($argument->encode());
            $value = $argument->value;
            $parts[] = match (true) {
                \is_array($value) => Part::list((string) $i, $at, $length, self::arguments($value, $at)),
                $value instanceof TimeTag => self::timeTag((string) $i, $value, $at),
                \is_string($value) => Part::value(
                    (string) $i,
                    $at,
                    $length,
                    \in_array($argument->tag, ['b', 'r', 'm'], true) ? bin2hex($value) : mb_scrub($value, 'UTF-8'),
                    self::named($argument->tag),
                ),
                \is_float($value) && ! is_finite($value) => Part::value(
                    (string) $i,
                    $at,
                    $length,
                    is_nan($value) ? 'NaN' : ($value > 0 ? 'Infinity' : '-Infinity'),
                    self::named($argument->tag),
                ),
                default => Part::value((string) $i, $at, $length, $value, self::named($argument->tag)),
            };
            $at += $length;
        }

        return $parts;
    }

    private static function timeTag(string $name, TimeTag $tag, int $offset): Part
    {
        return Part::group(
            $name,
            $offset,
            8,
            [Part::value('seconds', $offset, 4, $tag->seconds), Part::value('fraction', $offset + 4, 4, $tag->fraction)],
            $tag->spelled(),
        );
    }

    private static function named(string $tag): string
    {
        return match ($tag) {
            'i' => 'int32',
            'f' => 'float32',
            's' => 'OSC-string',
            'b' => 'OSC-blob',
            'h' => 'int64',
            'd' => 'float64',
            'S' => 'symbol',
            'c' => 'character',
            'r' => 'RGBA colour',
            'm' => 'MIDI message: port, status, data',
            'I' => 'infinitum',
            'N' => 'nil',
            default => '',
        };
    }

    /** @param array<mixed> $fields */
    private static function packet(array $fields, string $path): Message|Bundle
    {
        $known = isset($fields['OSC Bundle Elements']) ? [
            'OSC-string',
            'OSC Time Tag',
            'OSC Bundle Elements',
        ] : ['OSC Address Pattern', 'OSC Type Tag String', 'OSC Arguments'];
        foreach (array_keys($fields) as $name) {
            if (! \in_array($name, $known, true)) {
                throw Unwritable::unknown($path.$name, $known);
            }
        }
        if (! isset($fields['OSC Bundle Elements'])) {
            return self::message($fields, $path);
        }
        if (! \is_array($fields['OSC Bundle Elements'])) {
            throw Unwritable::field(
                "{$path}OSC Bundle Elements",
                $fields['OSC Bundle Elements'],
                'use a list of messages and bundles',
            );
        }
        $elements = [];
        foreach ($fields['OSC Bundle Elements'] as $i => $element) {
            $elements[] = \is_array($element)
                ? self::packet($element, "{$path}OSC Bundle Elements/{$i}/")
                : throw Unwritable::field("{$path}OSC Bundle Elements/{$i}", $element, 'use a message or a bundle');
        }

        return new Bundle(
            isset($fields['OSC Time Tag'])
                ? Values::timeTag($fields['OSC Time Tag'], "{$path}OSC Time Tag")
                : TimeTag::immediately(),
            $elements,
        );
    }

    /** @param array<mixed> $fields */
    private static function message(array $fields, string $path): Message
    {
        $address = $fields['OSC Address Pattern'] ?? null;
        if (! \is_string($address) || ! str_starts_with($address, '/') || str_contains($address, "\0")) {
            throw Unwritable::field("{$path}OSC Address Pattern", $address, 'it must begin with "/"');
        }
        $plain = $fields['OSC Arguments'] ?? [];
        if (! \is_array($plain)) {
            throw Unwritable::field("{$path}OSC Arguments", $plain, 'use a list');
        }
        $tags = $fields['OSC Type Tag String'] ?? ','.implode('', array_map(Values::guess(...), $plain));
        if (! \is_string($tags) || ! str_starts_with($tags, ',')) {
            throw Unwritable::field("{$path}OSC Type Tag String", $tags, 'it must begin with a comma');
        }
        $at = 1;
        $arguments = Values::arguments($tags, $at, array_values($plain), "{$path}OSC Arguments");
        if ($at < \strlen($tags)) {
            throw Unwritable::field("{$path}OSC Type Tag String", $tags, '"]" stands without a "["');
        }

        return new Message($address, $arguments);
    }
}
