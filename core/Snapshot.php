<?php

declare(strict_types=1);

namespace NimbleJunction\Core;

use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Universe\Source;
use NimbleJunction\Core\Universe\Universe;

/**
 * What a junction needs to go on after a restart as if nothing had happened:
 * each universe's sources with their levels, its merged levels, its holds.
 * Plain arrays of text and numbers, ready for JSON; bytes are base64.
 */
final class Snapshot
{
    /**
     * @param array<string, Universe> $universes
     *
     * @return array<string, mixed>
     */
    public static function of(array $universes, int $now): array
    {
        $parts = [];
        foreach ($universes as $id => $universe) {
            if ($universe->spoken) {
                $parts[$id] = [
                    'merged' => base64_encode($universe->merged()),
                    'sources' => array_map(static fn(Source $source): array => [
                        'key' => base64_encode($source->key),
                        'port' => $source->portId,
                        'protocol' => $source->protocol?->value,
                        'name' => $source->name,
                        'address' => $source->address,
                        'priority' => $source->priority,
                        'lastResort' => $source->lastResort,
                        'levels' => base64_encode($source->levels),
                        'slotPriorities' => base64_encode($source->slotPriorities),
                    ], array_values($universe->sources())),
                    'holds' => array_map(static fn(Hold $hold): array => [
                        'slot' => $hold->slot,
                        'level' => $hold->level,
                        'by' => $hold->by,
                        'left' => $hold->until - $now,
                    ], array_values($universe->holds())),
                ];
            }
        }

        return ['universes' => $parts];
    }

    /**
     * Puts a snapshot back. Sources count as heard now, so that those that do
     * not return are lost in the usual time. What cannot be read is left out.
     *
     * @param array<mixed> $snapshot
     * @param array<string, Universe> $universes
     */
    public static function restore(array $snapshot, array $universes, int $now): void
    {
        foreach (self::parts($snapshot['universes'] ?? null) as $id => $part) {
            $universe = $universes[$id] ?? null;
            if ($universe === null) {
                continue;
            }
            foreach (self::parts($part['sources'] ?? null) as $entry) {
                $source = new Source(
                    self::bytes($entry['key'] ?? null),
                    self::text($entry['port'] ?? null),
                    Protocol::tryFrom(self::text($entry['protocol'] ?? null)),
                    self::text($entry['name'] ?? null),
                    self::text($entry['address'] ?? null),
                    \is_int($entry['priority'] ?? null) ? $entry['priority'] : null,
                    ($entry['lastResort'] ?? false) === true,
                );
                $source->set(substr(self::bytes($entry['levels'] ?? null), 0, 512));
                $source->heardAt = $source->slotPrioritiesAt = $now;
                $priorities = self::bytes($entry['slotPriorities'] ?? null);
                $source->slotPriorities = \strlen($priorities) === 512 ? $priorities : '';
                $universe->add($source, $now);
            }
            $universe->resume(self::bytes($part['merged'] ?? null));
            foreach (self::parts($part['holds'] ?? null) as $entry) {
                $slot = $entry['slot'] ?? null;
                $level = $entry['level'] ?? null;
                $left = $entry['left'] ?? null;
                if (\is_int($slot) && \is_int($level) && \is_int($left) && $slot >= 0 && $slot < 512 && $left > 0) {
                    $universe->hold(new Hold($slot, max(0, min(255, $level)), self::text($entry['by'] ?? null), $now + $left));
                }
            }
        }
    }

    /** @return array<array<mixed>> */
    private static function parts(mixed $value): array
    {
        return \is_array($value) ? array_filter($value, \is_array(...)) : [];
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }

    private static function bytes(mixed $value): string
    {
        return \is_string($value) ? (string) base64_decode($value, true) : '';
    }
}
