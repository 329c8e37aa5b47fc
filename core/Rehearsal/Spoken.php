<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Codec\ArtNetReceiver;
use NimbleJunction\Core\Codec\DmxLineReceiver;
use NimbleJunction\Core\Codec\MidiCodec;
use NimbleJunction\Core\Codec\OscCodec;
use NimbleJunction\Core\Codec\Receiver;
use NimbleJunction\Core\Codec\SacnReceiver;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Signal\Postponed;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\SyncPulse;
use NimbleJunction\Core\Wire\Malformed;

/** A packet in a few words, as a port says what it heard last. */
final class Spoken
{
    /** @param int $middleC octave number of MIDI note 60 */
    public static function of(Protocol $protocol, string $bytes, int $middleC): string
    {
        try {
            $words = [];
            foreach (self::receiver($protocol)->receive($bytes, '') as $what) {
                if ($what instanceof SyncPulse) {
                    $words[] = $what->words;

                    continue;
                }
                $activity = new Activity();
                $activity->heard($what instanceof Postponed ? $what->message : $what, '', 0);
                $words[] = $activity->lastWords($middleC);
            }

            return implode('; ', array_filter($words));
        } catch (Malformed $malformed) {
            return $malformed->reason;
        }
    }

    private static function receiver(Protocol $protocol): Receiver
    {
        return match ($protocol) {
            Protocol::ArtNet => new ArtNetReceiver([]),
            Protocol::Sacn => new SacnReceiver(),
            Protocol::DmxLine => new DmxLineReceiver(),
            Protocol::Midi => new MidiCodec(),
            default => new OscCodec(),
        };
    }
}
