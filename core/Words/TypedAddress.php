<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * An address as people type it: "3.101" or "3/101" (universes counted from 1), "1125" (all slots counted through),
 * "0:0:2/101" (Art-Net's Net, Sub-Net and Universe, counted from 0), "palm-house/101", or "101" in the universe that is
 * looked at. What it may mean here is repeated in every numbering, so that nobody has to guess.
 */
final readonly class TypedAddress
{
    public const RULE = 'Type 101, 3.101 or 3/101 (universes from 1), 1125 (counted through), 0:0:2/101 (Art-Net, from 0), or a universe\'s id and the slot, like palm-house/101.';

    /**
     * @param list<array{universe: string, slot: int, why: string, numberings: list<string>}> $ways what it may mean, the likeliest first
     * @param string $problem why it means nothing; '' where it does
     */
    private function __construct(public array $ways, public string $problem)
    {
    }

    /** @param string $here the universe that is looked at; '' for none */
    public static function read(string $text, Show $show, string $here = ''): self
    {
        $text = trim($text);
        if (preg_match('~^(\d{1,9})$~D', $text, $found) === 1) {
            return self::counted((int) $found[1], $show, $here);
        }
        if (preg_match('~^(\d{1,5})[./](\d{1,9})$~D', $text, $found) === 1) {
            return self::inUniverse((int) $found[1], (int) $found[2], $show);
        }
        if (preg_match('~^(\d{1,3}:\d{1,2}:\d{1,2}|\d{1,2}:\d{1,2})[./](\d{1,9})$~D', $text, $found) === 1) {
            return self::onArtNet($found[1], (int) $found[2], $show);
        }
        if (preg_match('~^(.+?)\s*[./ ]\s*(\d{1,9})$~uD', $text, $found) === 1) {
            $named = array_filter(
                array_keys($show->universes),
                static fn(int|string $id): bool => \in_array(
                    mb_strtolower($found[1]),
                    [(string) $id, mb_strtolower($show->universes[$id]->name)],
                    true,
                ),
            );

            return self::at(
                array_fill_keys($named, 'by its name'),
                (int) $found[2],
                $show,
                "no universe is called \"{$found[1]}\"",
            );
        }

        return new self([], "\"{$text}\" is no address. ".self::RULE);
    }

    /**
     * A place in every numbering.
     *
     * @return list<string>
     */
    public static function numberings(string $universe, int $slot, Show $show): array
    {
        $words = [];
        $numbers = [];
        foreach (self::wires($show) as [$id, $protocol, $number]) {
            if ($id !== $universe) {
                continue;
            }
            if ($protocol === Protocol::ArtNet) {
                $words[] = 'Art-Net '.PortAddress::of($number)->spelled()."/{$slot} (port-address {$number}, from 0)";
                $numbers[] = $number + 1;
            } elseif ($protocol === Protocol::Sacn) {
                $words[] = "sACN universe {$number}, slot {$slot}";
                $numbers[] = $number;
            }
        }
        $place = (int) array_search($universe, array_map(strval(...), array_keys($show->universes)), true) + 1;
        foreach (array_unique($numbers === [] ? [$place] : $numbers) as $number) {
            $words[] = "{$number}.{$slot} on a desk that counts from 1";
            $words[] = ($number - 1) * Frame::SLOTS + $slot.' counted through';
        }

        return array_values(array_unique($words));
    }

    /**
     * The number that others know a universe by, counted from 1: the first that it has on a network, or its place in the
     * list.
     */
    public static function number(string $universe, Show $show): int
    {
        foreach (self::wires($show) as [$id, $protocol, $number]) {
            if ($id === $universe && $protocol->carriesLevels() && $protocol !== Protocol::DmxLine) {
                return $protocol === Protocol::ArtNet ? $number + 1 : $number;
            }
        }

        return (int) array_search($universe, array_map(strval(...), array_keys($show->universes)), true) + 1;
    }

    private static function counted(int $number, Show $show, string $here): self
    {
        if ($number <= Frame::SLOTS && isset($show->universes[$here])) {
            return self::at([$here => 'in the universe that is looked at'], $number, $show, '');
        }

        return $number < 1
            ? new self([], 'Slots are counted from 1.')
            : self::inUniverse(intdiv($number - 1, Frame::SLOTS) + 1, ($number - 1) % Frame::SLOTS + 1, $show);
    }

    private static function inUniverse(int $number, int $slot, Show $show): self
    {
        $ways = [];
        foreach (self::wires($show) as [$id, $protocol, $wire]) {
            if ($protocol === Protocol::Sacn && $wire === $number) {
                $ways[$id] ??= "sACN universe {$number}";
            } elseif ($protocol === Protocol::ArtNet && $wire === $number - 1) {
                $ways[$id] ??= 'Art-Net '.PortAddress::of($wire)->spelled().", which desks that count from 1 call {$number}";
            }
        }
        $listed = array_keys($show->universes)[$number - 1] ?? null;
        if ($listed !== null) {
            $ways[(string) $listed] ??= "number {$number} in the list of universes";
        }

        return self::at($ways, $slot, $show, "no universe here has the number {$number} on a network, or that place in the list");
    }

    private static function onArtNet(string $text, int $slot, Show $show): self
    {
        try {
            $address = PortAddress::parse($text);
        } catch (OutOfRange $exception) {
            return new self([], $exception->getMessage());
        }
        $ways = [];
        foreach (self::wires($show) as [$id, $protocol, $wire]) {
            if ($protocol === Protocol::ArtNet && $wire === $address->number) {
                $ways[$id] = "Art-Net {$address->spelled()} (port-address {$address->number}, from 0)";
            }
        }

        return self::at($ways, $slot, $show, "no port here has Art-Net {$address->spelled()}");
    }

    /** @param array<int|string, string> $ways why, by universe */
    private static function at(array $ways, int $slot, Show $show, string $problem): self
    {
        if ($slot < 1 || $slot > Frame::SLOTS) {
            return new self([], "Slot {$slot} is not there: a universe has slots 1 to 512.");
        }
        if ($ways === []) {
            return new self([], ucfirst($problem).'. '.self::RULE);
        }
        $read = [];
        foreach ($ways as $id => $why) {
            $read[] = [
                'universe' => (string) $id,
                'slot' => $slot,
                'why' => $why,
                'numberings' => self::numberings((string) $id, $slot, $show),
            ];
        }

        return new self($read, '');
    }

    /** @return iterable<array{string, Protocol, int}> universe, protocol and number on the wire of every link */
    private static function wires(Show $show): iterable
    {
        foreach ($show->ports as $port) {
            foreach ([...$port->receive->feeds ?? [], ...$port->send->carries ?? []] as $link) {
                yield [$link->universe, $port->protocol, $link->number];
            }
        }
    }
}
