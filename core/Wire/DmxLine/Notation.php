<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\DmxLine;

use NimbleJunction\Core\Wire\Layout\Notation as NotationInterface;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Plain;
use NimbleJunction\Core\Wire\Layout\Unwritable;

/** One refresh of a line: start code and slots. */
final class Notation implements NotationInterface
{
    public function read(string $bytes): Part
    {
        $line = Line::decode($bytes);
        $slots = array_map(
            static fn(string $byte, int $i): Part => Part::value((string) $i, $i + 1, 1, \ord($byte)),
            str_split($line->levels),
            range(0, \strlen($line->levels) - 1),
        );
        $count = \count($slots);

        return Part::group('DMX512-A', 0, \strlen($bytes), [
            Part::value('START Code', 0, 1, $line->startCode, StartCode::name($line->startCode)),
            Part::list('slots', 1, $count, $slots),
        ], \sprintf('%d slots, at most %.1f refreshes a second', $count, Line::refreshesPerSecond($count)));
    }

    public function write(array $fields): string
    {
        foreach (array_keys($fields) as $name) {
            if ($name !== 'START Code' && $name !== 'slots') {
                throw Unwritable::unknown((string) $name, ['START Code', 'slots']);
            }
        }
        $code = Plain::whole($fields['START Code'] ?? 0, 'START Code', 0, 255);
        $slots = $fields['slots'] ?? null;
        if (! \is_array($slots) || $slots === [] || \count($slots) > 512) {
            throw Unwritable::field('slots', \is_array($slots) ? \count($slots) : $slots, 'use a list of 1 to 512 levels');
        }
        $levels = '';
        foreach ($slots as $i => $level) {
            $levels .= \chr(Plain::whole($level, "slots/{$i}", 0, 255));
        }

        return (new Line($levels, $code))->encode();
    }
}
