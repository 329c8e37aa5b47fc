<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\SystemCommon;

/** A song is chosen. */
final readonly class SongSelect extends Message implements Encodable
{
    /** @param int $song 0 to 127 */
    public function __construct(public int $song)
    {
        parent::__construct(Protocol::Midi);
    }

    public function address(): string
    {
        return '/song';
    }

    public function arguments(): array
    {
        return [$this->song];
    }

    public function fields(): array
    {
        return ['song' => $this->song];
    }

    public function spelled(int $middleC = 4): string
    {
        return "song at {$this->song}";
    }

    public function encode(): string
    {
        return SystemCommon::songSelect($this->song)->encode();
    }
}
