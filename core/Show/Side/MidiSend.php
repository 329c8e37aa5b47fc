<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Wire\RtpMidi\Session;

/** MIDI goes out. */
final readonly class MidiSend extends SendSide
{
    /** @param list<string> $to */
    public function __construct(bool $enabled, string $address = '0.0.0.0', array $to = [], int $port = 0)
    {
        parent::__construct($enabled, $address, $to, $port);
    }

    public static function fields(): array
    {
        return [
            self::toField('Invite; empty: wait to be invited')->only('link/kind', 'session'),
            Field::whole('port', 'Its control port', 1, 65535, Session::CONTROL_PORT)->only('link/kind', 'session'),
            self::enabledField(),
            self::addressField()->only('link/kind', 'session'),
        ];
    }
}
