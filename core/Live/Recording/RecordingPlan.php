<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Recording;

use NimbleJunction\Core\Point\Reference;

/** What is to be recorded, and how. */
final readonly class RecordingPlan
{
    public const MODES = ['touch', 'overdub', 'erase'];
    public const TITLES = [
        'touch' => 'only while something is touched',
        'overdub' => 'from the first touch on',
        'erase' => 'all of the pass',
    ];

    /**
     * @param string $timeline id
     * @param list<Reference> $points that are armed
     * @param string $mode touch, overdub or erase
     * @param bool $plays whether the timeline plays meanwhile; else only its clock runs, from where it stands
     * @param float $from nothing is written before this place, in the timeline's unit
     * @param float|null $to nor behind this one; null for as long as it goes on
     * @param float $countIn seconds until it begins
     * @param float $latency seconds that a hand is late: everything is written that much earlier
     * @param float $still seconds after which something that does not move is not touched any more
     */
    public function __construct(
        public string $timeline,
        public array $points,
        public string $mode = 'touch',
        public bool $plays = true,
        public float $from = 0.0,
        public ?float $to = null,
        public float $countIn = 0.0,
        public float $latency = 0.0,
        public float $still = 0.5,
    ) {
    }
}
