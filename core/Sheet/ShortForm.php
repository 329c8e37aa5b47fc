<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Sheet;

use NimbleJunction\Core\Message\MidiAddress;

/** Routes of the short form, a message that sets a slot, as a trigger and an action that a line of the sheet can say. */
final class ShortForm
{
    /** The field that the number of a MIDI address is. */
    private const NUMBERS = [
        'note' => 'note',
        'key-pressure' => 'note',
        'controller' => 'controller',
        'rpn' => 'parameter',
        'nrpn' => 'parameter',
    ];

    /**
     * @param array<mixed> $route
     *
     * @return array<mixed>|null null for a slot that is told to another end
     */
    public static function trigger(array $route): ?array
    {
        $from = $route['from'] ?? null;
        if (! \is_array($from) || ($from['kind'] ?? '') !== 'message') {
            return null;
        }
        $port = ['port' => $from['port'] ?? ''];
        $address = \is_string($from['address'] ?? null) ? MidiAddress::parse($from['address']) : null;
        if ($address === null || ! \in_array($address->kind, [...array_keys(self::NUMBERS), 'bend', 'pressure'], true)) {
            return ['kind' => 'message', ...$port, 'address' => $from['address'] ?? ''];
        }
        $number = isset(self::NUMBERS[$address->kind]) ? [self::NUMBERS[$address->kind] => $address->number] : [];

        return ['kind' => $address->kind, ...$port, 'channel' => $address->channel, ...$number];
    }

    /**
     * @param array<mixed> $route
     *
     * @return array<mixed>|null null for a slot that is told to another end
     */
    public static function action(array $route): ?array
    {
        $to = $route['to'] ?? null;

        return \is_array($to) && ($to['kind'] ?? '') === 'slot'
            ? ['kind' => 'set', 'point' => 'slot:'.self::text($to['universe'] ?? '').'/'.self::text($to['slot'] ?? '')]
            : null;
    }

    /**
     * @param array<mixed> $route
     * @param array<mixed> $when
     *
     * @return array<mixed>
     */
    public static function withTrigger(array $route, array $when): array
    {
        $kind = self::text($when['kind'] ?? '');
        $number = isset(self::NUMBERS[$kind]) ? '/'.self::text($when[self::NUMBERS[$kind]] ?? '') : '';
        $address = $kind === 'message' ? ($when['address'] ?? '') : "/{$kind}/".self::text($when['channel'] ?? '').$number;
        $from = \is_array($route['from'] ?? null) ? $route['from'] : [];

        return ['from' => ['port' => $when['port'] ?? '', 'address' => $address] + $from] + $route;
    }

    /**
     * @param array<mixed> $route
     * @param array<mixed> $do
     *
     * @return array<mixed>
     */
    public static function withAction(array $route, array $do): array
    {
        $isSlot = preg_match('#^slot:([a-z0-9-]+)/(\d{1,3})$#D', self::text($do['point'] ?? ''), $found) === 1;
        $to = \is_array($route['to'] ?? null) ? $route['to'] : [];

        return $isSlot ? ['to' => ['universe' => $found[1], 'slot' => (int) $found[2]] + $to] + $route : $route;
    }

    private static function text(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }
}
