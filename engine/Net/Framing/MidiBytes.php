<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net\Framing;

use NimbleJunction\Core\Wire\Midi\MidiMessage;
use NimbleJunction\Core\Wire\Midi\StreamParser;

/** A raw MIDI stream: running status is undone, and what is broken off is left out, as every MIDI receiver does. */
final readonly class MidiBytes implements Framing
{
    private StreamParser $parser;

    public function __construct()
    {
        $this->parser = new StreamParser();
    }

    public function push(string $bytes): array
    {
        $packets = [];
        foreach ($this->parser->push($bytes) as $heard) {
            if ($heard->what instanceof MidiMessage) {
                $packets[] = $heard->what->encode();
            }
        }

        return $packets;
    }

    public function wrap(string $packet): string
    {
        return $packet;
    }

    public function recovers(): bool
    {
        return true;
    }
}
