<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/** What a session makes of something: datagrams to send, and MIDI commands that arrived. */
final class Outcome
{
    /** @var list<string> to the other end's control port */
    public array $control = [];

    /** @var list<string> to the other end's data port */
    public array $data = [];

    /** @var list<string> whole MIDI commands, in their order */
    public array $midi = [];
}
