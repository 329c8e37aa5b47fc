<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Bytes;

/**
 * The last stage before levels leave: what is never driven leaves at its default, whoever asks for something else, and
 * above holds too, unless a hold unlocks it for as long as it lasts.
 */
final readonly class Safety
{
    /**
     * @param string $never 512 bytes: 255 in slots that are never driven
     * @param string $defaults 512 bytes
     */
    public function __construct(private string $never, private string $defaults)
    {
    }

    /** Nothing where nothing is never driven: then there is no such stage. */
    public static function of(string $never, string $defaults): ?self
    {
        return $never === Bytes::$none ? null : new self($never, $defaults);
    }

    public function guards(int $slot): bool
    {
        return $this->never[$slot] !== "\0";
    }

    /**
     * @param string $levels 512 bytes
     * @param array<int, Hold> $holds by slot
     */
    public function apply(string $levels, array $holds): string
    {
        $safe = Bytes::laid($levels, $this->defaults, $this->never);
        foreach ($holds as $slot => $hold) {
            if ($hold->isUnlocked) {
                $safe[$slot] = \chr($hold->level);
            }
        }

        return $safe;
    }

    /** @param Hold|null $hold on that slot */
    public function explain(int $slot, ?Hold $hold): string
    {
        if (! $this->guards($slot)) {
            return '';
        }

        return $hold?->isUnlocked === true
            ? 'It is never driven, and unlocked by that hold.'
            : 'It is never driven, as its profile says: it leaves at its default, '.\ord($this->defaults[$slot]).'.';
    }
}
