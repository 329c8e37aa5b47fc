<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Contribution;
use NimbleJunction\Core\Merge\Layer;
use NimbleJunction\Core\Merge\Layers;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\State\Stored;

/** What is ours in a universe, layer by layer, as it is kept over a restart. Plain arrays, ready for JSON; bytes are base64. */
final class OwnState
{
    private const MOST_OWNERS = 20_000;
    private const FEW_SLOTS = 64;

    /**
     * @param array<string, string> $order who changed each slot last, by contributor
     *
     * @return list<array<string, mixed>>
     */
    public static function of(Layers $layers, array $order): array
    {
        return array_map(static fn(Layer $layer): array => [
            'priority' => $layer->priority,
            'order' => base64_encode($order[$layer->key] ?? ''),
            'set' => self::few($layer),
            'given' => array_values(
                array_map(
                    self::many(...),
                    array_filter($layer->all(), static fn(Contribution $one): bool => ! self::isFew($one)),
                ),
            ),
            'shared' => array_map(static fn(int $slot, array $owners): array => [
                'slot' => $slot,
                'owners' => $owners,
                // Keys of senders are bytes.
                'after' => array_map(
                    static fn(array $keys): array => array_map(base64_encode(...), $keys),
                    $layer->cededAt($slot),
                ),
            ], array_keys($layer->sharing()), $layer->sharing()),
        ], $layers->all());
    }

    /**
     * @param array<Stored> $stored
     *
     * @return array<string, string> who changed each slot last, by layer
     */
    public static function restore(array $stored, Universe $universe): array
    {
        $order = [];
        foreach ($stored as $part) {
            $priority = $part->whole('priority', 0, 200);
            foreach ($part->parts('given', self::MOST_OWNERS) as $one) {
                $levels = $one->bytes('levels', Frame::SLOTS);
                $mask = $one->bytes('mask', Frame::SLOTS);
                if ($levels !== '' && $mask !== '') {
                    $universe->layers()->give(
                        $one->text('owner'),
                        $one->text('name'),
                        $levels,
                        $mask,
                        $priority,
                        $one->flag('isSet'),
                    );
                }
            }
            $set = $part->part('set');
            foreach (\array_slice($set->names(), 0, self::MOST_OWNERS) as $owner) {
                $levels = self::pairs($set->numbers($owner));
                if ($levels !== []) {
                    $universe->layers()->set($owner, $owner, $levels, $priority);
                }
            }
            $layer = $universe->layers()->of($priority);
            foreach ($part->parts('shared', Frame::SLOTS) as $one) {
                $slot = $one->whole('slot', 0, Frame::SLOTS - 1);
                if ($slot !== null) {
                    $layer->reorder($slot, $one->texts('owners'), self::after($one->part('after')));
                }
            }
            $order[$layer->key] = $part->bytes('order', Frame::SLOTS);
        }

        return $order;
    }

    /** @return array<string, list<string>> keys by owner */
    private static function after(Stored $stored): array
    {
        $after = [];
        foreach (\array_slice($stored->names(), 0, self::MOST_OWNERS) as $owner) {
            $after[$owner] = array_values(array_filter(array_map(
                base64_decode(...),
                $stored->texts($owner, Universe::MOST_SOURCES),
            )));
        }

        return $after;
    }

    private static function isFew(Contribution $one): bool
    {
        return $one->isSet && \count($one->slots()) <= self::FEW_SLOTS;
    }

    /**
     * There may be ten thousand owners of one slot each: what they give is kept as numbers.
     *
     * @return array<string, list<int>> slot, level, slot, level and so on, by owner
     */
    private static function few(Layer $layer): array
    {
        $few = [];
        foreach ($layer->all() as $owner => $one) {
            if (! self::isFew($one)) {
                continue;
            }
            foreach ($one->slots() as $slot) {
                $few[$owner][] = $slot;
                $few[$owner][] = \ord($one->levels[$slot]);
            }
        }

        return $few;
    }

    /** @return array<string, mixed> */
    private static function many(Contribution $one): array
    {
        return [
            'owner' => $one->owner,
            'name' => $one->name,
            'isSet' => $one->isSet,
            'levels' => base64_encode($one->levels),
            'mask' => base64_encode($one->mask),
        ];
    }

    /**
     * @param list<int> $numbers slot, level, slot, level and so on
     *
     * @return array<int, int> level by slot
     */
    private static function pairs(array $numbers): array
    {
        $levels = [];
        foreach (array_chunk($numbers, 2) as $pair) {
            $isSound = \count($pair) === 2 && $pair[0] >= 0 && $pair[0] < Frame::SLOTS && $pair[1] >= 0 && $pair[1] <= 255;
            if ($isSound) {
                $levels[$pair[0]] = $pair[1];
            }
        }

        return $levels;
    }
}
