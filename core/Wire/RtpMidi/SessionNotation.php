<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

use NimbleJunction\Core\Wire\Layout\Notation as NotationInterface;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;

/** The session protocol's packets, field by field. */
final class SessionNotation implements NotationInterface
{
    private const WORDS = [
        'IN' => 'invitation',
        'OK' => 'invitation accepted',
        'NO' => 'invitation rejected',
        'BY' => 'end of session',
        'CK' => 'clock synchronization',
        'RS' => 'receiver feedback',
        'RL' => 'bitrate receive limit',
    ];

    public function read(string $bytes): Part
    {
        $packet = SessionPacket::decode($bytes);
        $layout = SessionPacket::layout($packet->command);

        return Part::group(
            $layout->name,
            0,
            \strlen($bytes),
            $layout->parts($bytes),
            self::WORDS[$packet->command->value].($packet->name === '' ? '' : " \"{$packet->name}\""),
        );
    }

    public function write(array $fields): string
    {
        $letters = $fields['command'] ?? null;
        $command = \is_string($letters) ? SessionCommand::tryFrom($letters) : null;
        if ($command === null) {
            throw Unwritable::field('command', $letters, 'use one of IN, OK, NO, BY, CK, RS, RL');
        }
        $bytes = SessionPacket::layout($command)->writePlain($fields);
        try {
            SessionPacket::decode($bytes);
        } catch (Malformed $malformed) {
            throw Unwritable::field('session packet', null, $malformed->getMessage());
        }

        return $bytes;
    }
}
