<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Wire\Sacn\Data;

final readonly class SacnSender implements FrameSender
{
    private string $beginning;
    private string $middle;

    /**
     * @param string $cid 16 bytes
     * @param int $syncUniverse universe of the synchronization packets that follow; 0 for none
     */
    public function __construct(
        string $cid,
        int $universe,
        int $priority,
        string $sourceName,
        int $syncUniverse = 0,
        private string $slotPriorities = '',
    ) {
        $sample = (new Data(
            $cid,
            $universe,
            str_repeat("\0", 512),
            0,
            $priority,
            $sourceName,
            synchronisation: $syncUniverse,
        ))->encode();
        $this->beginning = substr($sample, 0, 111);
        $this->middle = substr($sample, 112, 14);
    }

    public function send(string $levels, int $sequence): string
    {
        return $this->beginning.\chr($sequence & 255).$this->middle.$levels;
    }

    public function beside(int $sequence): ?string
    {
        if ($this->slotPriorities === '') {
            return null;
        }
        $bytes = $this->send($this->slotPriorities, $sequence);
        $bytes[125] = \chr(Data::PER_SLOT_PRIORITY);

        return $bytes;
    }

    /** ANSI E1.31-2018, 6.2.6: three packets with stream terminated set. */
    public function end(string $levels, int $sequence): array
    {
        return array_map(function (int $i) use ($levels, $sequence): string {
            $bytes = $this->send($levels, $sequence + $i);
            $bytes[112] = \chr(Data::TERMINATED);

            return $bytes;
        }, [0, 1, 2]);
    }
}
