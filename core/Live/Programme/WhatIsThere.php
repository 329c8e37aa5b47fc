<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Programme\Gathering;
use NimbleJunction\Core\Universe\Universe;

/** What there is to make a look of: what is asked for now, with what people hold; what they hold alone; what one port sends. */
final readonly class WhatIsThere
{
    /** @param array<string, Universe> $universes by id */
    public function __construct(private Patch $patch, private array $universes)
    {
    }

    /** What leaves, before masters and curves. */
    public function leaves(): Gathering
    {
        $levels = [];
        foreach ($this->universes as $id => $universe) {
            $levels[$id] = $universe->wayOut()->heldIn($universe->merged());
        }

        return new Gathering($this->patch, $levels);
    }

    /** What people hold, and nothing else. */
    public function holds(): Gathering
    {
        $levels = $masks = [];
        foreach ($this->universes as $id => $universe) {
            $levels[$id] = $universe->wayOut()->heldIn(Bytes::$none);
            $masks[$id] = Bytes::mask(array_keys($universe->wayOut()->holds()));
        }

        return new Gathering($this->patch, $levels, $masks);
    }

    /** What senders at one port give, each slot that they send. */
    public function sentAt(string $port): Gathering
    {
        $levels = $masks = [];
        foreach ($this->universes as $id => $universe) {
            foreach ($universe->sources() as $source) {
                if ($source->portId === $port) {
                    $levels[$id] = ($levels[$id] ?? Bytes::$none) | $source->levels;
                    $sent = str_pad(str_repeat("\xFF", $source->slots), Patch::SLOTS, "\0");
                    $masks[$id] = ($masks[$id] ?? Bytes::$none) | $sent;
                }
            }
        }

        return new Gathering($this->patch, $levels, $masks);
    }
}
