<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\SystemCommon;

/** Where a sequencer is to go on from. */
final readonly class SongPosition extends Message implements Encodable
{
    /** @param int $sixteenths 0 to 16383, from the beginning */
    public function __construct(public int $sixteenths)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return '/song-position';
    }

    public function arguments(): array
    {
        return [$this->sixteenths];
    }

    public function fields(): array
    {
        return ['sixteenths' => $this->sixteenths];
    }

    public function spelled(int $middleC = 4): string
    {
        return "song position at {$this->sixteenths}";
    }

    public function encode(): string
    {
        return SystemCommon::songPosition($this->sixteenths)->encode();
    }
}
