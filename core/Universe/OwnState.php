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
            'given' => array_map(static fn(Contribution $one): array => [
                'owner' => $one->owner,
                'name' => $one->name,
                'levels' => base64_encode($one->levels),
                'mask' => base64_encode($one->mask),
                'isSet' => $one->isSet,
            ], array_values($layer->all())),
            'shared' => array_map(static fn(int $slot, array $owners): array => [
                'slot' => $slot,
                'owners' => $owners,
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
                    $universe->layers()->give($one->text('owner'), $one->text('name'), $levels, $mask, $priority, $one->flag('isSet'));
                }
            }
            $layer = $universe->layers()->of($priority);
            foreach ($part->parts('shared', Frame::SLOTS) as $one) {
                $slot = $one->whole('slot', 0, Frame::SLOTS - 1);
                if ($slot !== null) {
                    $layer->reorder($slot, $one->texts('owners'));
                }
            }
            $order[$layer->key] = $part->bytes('order', Frame::SLOTS);
        }

        return $order;
    }
}
