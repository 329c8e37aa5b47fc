<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\WideParameters;

/** Intensities that the same masters are over: they are scaled alike, in one. */
final class Lights
{
    /** @var string 512 bytes: 255 in the slots of those that take one, and are dark at 0 */
    private readonly string $mask;

    /** @var list<Light> all others */
    private readonly array $others;

    /** @var string what each of 256 levels becomes; '' where nothing is scaled */
    private string $table = '';

    private float $share = 1.0;

    /**
     * @param list<string> $masters ids
     * @param list<Light> $lights
     */
    public function __construct(public readonly array $masters, array $lights)
    {
        $isPlain = static fn(Light $light): bool => $light->zero === 0 && \count($light->slots) === 1;
        $this->mask = Bytes::mask(array_map(
            static fn(Light $light): int => $light->slots[0],
            array_values(array_filter($lights, $isPlain)),
        ));
        $this->others = array_values(array_filter($lights, static fn(Light $light): bool => ! $isPlain($light)));
    }

    /**
     * @param float $share 0 to 1
     *
     * @return bool whether that is otherwise than before
     */
    public function use(float $share): bool
    {
        if ($share === $this->share) {
            return false;
        }
        $this->share = $share;
        $this->table = $share < 1.0 ? self::table($share) : '';

        return true;
    }

    /** @return string what each of 256 levels becomes: one master is over many universes, and they ask one after the other */
    private static function table(float $share): string
    {
        /** @var array{float, string} $last */
        static $last = [1.0, ''];
        if ($last[0] !== $share) {
            $table = '';
            for ($level = 0; $level < 256; ++$level) {
                $table .= \chr((int) round($level * $share));
            }
            $last = [$share, $table];
        }

        return $last[1];
    }

    public function share(): float
    {
        return $this->share;
    }

    public function has(int $slot): bool
    {
        if ($this->mask[$slot] !== "\0") {
            return true;
        }
        foreach ($this->others as $light) {
            if (\in_array($slot, $light->slots, true)) {
                return true;
            }
        }

        return false;
    }

    /** @param string $levels 512 bytes */
    public function apply(string $levels): string
    {
        if ($this->table === '') {
            return $levels;
        }
        $levels = Bytes::laid($levels, strtr($levels, Bytes::$every, $this->table), $this->mask);
        foreach ($this->others as $light) {
            $value = 0;
            foreach ($light->slots as $slot) {
                $value = $value << 8 | \ord($levels[$slot]);
            }
            $levels = WideParameters::lay(
                $levels,
                $light->slots,
                (int) round($light->zero + ($value - $light->zero) * $this->share),
            );
        }

        return $levels;
    }
}
