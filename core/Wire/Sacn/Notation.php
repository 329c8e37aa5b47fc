<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Sacn;

use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Layout\Notation as NotationInterface;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;

/** Every sACN packet kind, field by field. */
final class Notation implements NotationInterface
{
    public function read(string $bytes): Part
    {
        $packet = Packet::decode($bytes);
        $layout = match (true) {
            $packet instanceof Data => Data::layout(),
            $packet instanceof Synchronization => Synchronization::layout(),
            $packet instanceof Discovery => Discovery::layout(),
            default => Unhandled::layout(),
        };

        return Part::group(
            $layout->name,
            0,
            \strlen($bytes),
            $layout->parts($bytes),
            $packet instanceof Data || $packet instanceof Discovery ? $packet->spelled() : '',
        );
    }

    public function write(array $fields): string
    {
        $root = $fields['Root Layer Vector'] ?? 4;
        $framing = $fields['Framing Layer Vector'] ?? ($root === 4 ? 2 : null);
        $layout = match ([$root, $framing]) {
            [4, 2] => Data::layout(),
            [8, 1] => Synchronization::layout(),
            [8, 2] => Discovery::layout(),
            default => throw Unwritable::field(
                'Framing Layer Vector',
                $framing,
                'use root and framing vectors 4 and 2 (data), 8 and 1 (synchronization) or 8 and 2 (universe discovery)',
            ),
        };
        $bytes = $layout->writePlain(self::withLengths($layout, $fields));
        try {
            Packet::decode($bytes);
        } catch (Malformed $malformed) {
            throw Unwritable::field($layout->name, null, $malformed->getMessage());
        }

        return $bytes;
    }

    /**
     * Lengths that are not given are counted.
     *
     * @param array<mixed> $fields
     *
     * @return array<mixed>
     */
    private static function withLengths(Layout $layout, array $fields): array
    {
        $values = $fields['Property Values'] ?? null;
        if (\is_array($values)) {
            $fields['Property Value Count'] ??= \count($values);
        }
        $whole = \strlen($layout->writePlain($fields));
        foreach ([
            'Root Layer' => 16,
            'Framing Layer' => 38,
            'DMP Layer' => 115,
            'Universe Discovery Layer' => 112,
        ] as $layer => $from) {
            foreach ($layout->fields as $field) {
                if ($field->name === "{$layer} Flags and Length") {
                    $fields[$field->name] ??= 0x7000 | $whole - $from;
                }
            }
        }

        return $fields;
    }
}
