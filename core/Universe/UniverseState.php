<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Layers;
use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\State\Stored;

/**
 * What a universe needs to go on after a restart as if nothing had happened:
 * its sources with their flags and the order of their changes, what it merged,
 * a fade with the time that it has run. The number of a sender's last packet is
 * not kept: it moves all the time, and an old one would say nothing. Plain
 * arrays, ready for JSON; bytes are base64.
 */
final class UniverseState
{
    /** Whether anything ever gave it a level. */
    public static function isThere(Universe $universe): bool
    {
        return $universe->spoken || $universe->hasStopped();
    }

    /** @return array<string, mixed> */
    public static function of(Universe $universe, int $now): array
    {
        $order = $universe->order();
        $kept = $universe->kept;

        return [
            'kept' => base64_encode($kept->levels),
            'filled' => $kept->isFilled,
            'stopped' => $universe->hasStopped(),
            'sources' => array_map(
                static fn(Source $source): array => self::source($source, $order[$source->key] ?? ''),
                array_values($universe->sources()),
            ),
            'ours' => OwnState::of($universe->layers(), $order),
            'fade' => $kept->fade?->kept($now),
        ];
    }

    /**
     * Puts it back. Sources count as heard now, so that those that do not
     * return are lost in the usual time.
     *
     * @param int $away nanoseconds since it was written down
     */
    public static function restore(Stored $stored, Universe $universe, int $now, int $away): void
    {
        // What was written down before own contributions were kept apart says "merged".
        $kept = $stored->bytes('kept', Frame::SLOTS) ?: $stored->bytes('merged', Frame::SLOTS);
        if ($kept === '') {
            return;
        }
        $order = [];
        foreach ($stored->parts('sources', Universe::MOST_SOURCES) as $part) {
            $source = self::readSource($part, $now);
            if ($source !== null) {
                $universe->add($source, $now);
                $order[$source->key] = $part->bytes('order', Frame::SLOTS);
            }
        }
        $order += OwnState::restore($stored->parts('ours', Layers::MOST), $universe);
        $universe->settle($now);
        $universe->reorder(array_filter($order));
        $fade = Fade::resume($stored->part('fade'), $now, $away);
        $universe->resume($kept, $stored->flag('stopped'), $fade, $stored->flag('filled', true));
        // By now the fade is further on than what was written down.
        $universe->fadeOn($now);
    }

    /** @return array<string, mixed> */
    private static function source(Source $source, string $order): array
    {
        return [
            'key' => base64_encode($source->key),
            'port' => $source->portId,
            'protocol' => $source->protocol->value,
            'name' => $source->name,
            'address' => $source->address,
            'priority' => $source->priority,
            'lastResort' => $source->lastResort,
            'preview' => $source->preview,
            'slots' => $source->slots,
            'levels' => base64_encode($source->levels),
            'slotPriorities' => base64_encode($source->slotPriorities),
            'order' => base64_encode($order),
        ];
    }

    private static function readSource(Stored $stored, int $now): ?Source
    {
        $key = $stored->bytes('key', null, 512);
        $levels = $stored->bytes('levels', Frame::SLOTS);
        $protocol = Protocol::tryFrom($stored->text('protocol'));
        if ($key === '' || $levels === '' || $protocol === null) {
            return null;
        }
        $source = new Source(
            $key,
            $stored->text('port'),
            $protocol,
            $stored->text('name'),
            $stored->text('address'),
            $stored->whole('priority', 0, 200) ?? 0,
            $stored->flag('lastResort'),
        );
        $source->set(substr($levels, 0, $stored->whole('slots', 0, Frame::SLOTS) ?? Frame::SLOTS));
        $source->preview = $stored->flag('preview');
        $source->slotPriorities = $stored->bytes('slotPriorities', Frame::SLOTS);
        $source->heardAt = $source->slotPrioritiesAt = $now;

        return $source;
    }
}
