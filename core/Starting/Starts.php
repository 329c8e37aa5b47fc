<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Asked;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;

/** All that routes can begin from; a new one is a class, named here. */
final class Starts
{
    public const ALL = [
        PanelOfSlots::class,
        FaderBank::class,
        NotesWithVelocity::class,
        NotesHeld::class,
        SlideCues::class,
        OscPage::class,
        ShowControlAndOsc::class,
        LevelsToControllers::class,
        GoNotes::class,
        PlayerTempo::class,
        SpareUniverse::class,
    ];

    /**
     * @param array<mixed> $asked "kind" and its fields
     *
     * @throws ShowRefused
     */
    public static function read(array $asked): Start
    {
        $read = Asked::of(self::ALL, $asked);
        if (! $read->kind instanceof Start) {
            throw ShowRefused::because(
                $read->faults === [] ? [new Fault('', 'it says nothing to begin from', 'Give a kind.')] : $read->faults,
            );
        }

        return $read->kind;
    }
}
