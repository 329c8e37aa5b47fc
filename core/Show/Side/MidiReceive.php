<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Wire\RtpMidi\Session;

/** MIDI comes in. */
final readonly class MidiReceive extends ReceiveSide
{
    public function __construct(bool $enabled, string $address = '0.0.0.0', int $port = 0)
    {
        parent::__construct($enabled, $address, $port, []);
    }

    public static function fields(): array
    {
        return [
            self::addressField()->only('link/kind', 'session'),
            Field::whole('port', 'Our control port (UDP)', 1, 65535, Session::CONTROL_PORT)->only('link/kind', 'session'),
            self::enabledField(),
        ];
    }
}
