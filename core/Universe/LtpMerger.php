<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Frame;

/**
 * Latest takes precedence, slot by slot: whoever last changed a slot has it.
 * When that source goes, the one that changed it before has it again.
 */
final class LtpMerger implements Merger
{
    /** @var array<string, array<int, int>> for each source, by slot, when it last changed that slot */
    private array $changed = [];

    public function moved(Source $source, string $before, int $now): void
    {
        $difference = $source->levels ^ $before;
        for ($slot = strspn($difference, "\0"); $slot < Frame::SLOTS; $slot += 1 + strspn($difference, "\0", $slot + 1)) {
            $this->changed[$source->key][$slot] = $now;
        }
    }

    public function forget(Source $source): void
    {
        unset($this->changed[$source->key]);
    }

    public function merge(array $sources): string
    {
        $result = str_repeat("\0", Frame::SLOTS);
        if (\count($sources) === 1) {
            return $sources[0]->levels;
        }
        $latest = [];
        foreach ($sources as $source) {
            foreach ($this->changed[$source->key] ?? [] as $slot => $when) {
                if ($when >= ($latest[$slot] ?? \PHP_INT_MIN)) {
                    $latest[$slot] = $when;
                    $result[$slot] = $source->levels[$slot];
                }
            }
        }

        return $result;
    }

    public function winners(array $sources): string
    {
        $winners = str_repeat("\0", Frame::SLOTS);
        $latest = [];
        foreach ($sources as $place => $source) {
            foreach ($this->changed[$source->key] ?? [] as $slot => $when) {
                if ($when >= ($latest[$slot] ?? \PHP_INT_MIN)) {
                    $latest[$slot] = $when;
                    $winners[$slot] = \chr($place + 1);
                }
            }
        }

        return $winners;
    }

    public function reason(array $sources, Source $winner, int $slot, int $now): string
    {
        $when = $this->changed[$winner->key][$slot] ?? null;

        return $when === null
            ? 'the only source'
            : 'changed it last (LTP), '.number_format(($now - $when) / 1e9, 1, '.', '').' s ago';
    }
}
