<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Document\Part;

/**
 * How fast the music is, and where its beat. It comes from the best source that is alive: clocks in their order, messages, a
 * hand.
 */
final readonly class Tempo implements Part
{
    public const MOST = 16;

    /**
     * @param float $start beats a minute, until somebody says otherwise
     * @param int $bar beats of a bar
     * @param list<string> $clocks ids of MIDI ports whose clock leads, the best one first
     * @param float $holds seconds for which a message that says the tempo leads before a hand
     * @param list<string> $sends ids of MIDI ports that are sent its clock
     */
    public function __construct(
        public string $id,
        public string $name,
        public float $start = 120.0,
        public int $bar = 4,
        public array $clocks = [],
        public float $holds = 10.0,
        public array $sends = [],
    ) {
    }

    public static function label(): string
    {
        return 'Tempo';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::number('start', 'Beats a minute at the start', BeatClock::SLOWEST, BeatClock::FASTEST, 120.0),
            Field::whole('bar', 'Beats of a bar', 1, 32, 4),
            (new Ids('clocks', 'Follows the clock of ports, the best one first', 'port', 16))
                ->meaning('MIDI clock: the first of them that is alive leads; without one, messages, then a hand.'),
            Field::number('holds', 'A message that says the tempo leads for (s)', 0.0, 3600.0, 10.0)
                ->meaning('For so long a tap is left: a music player that says its tempo knows better.')->rare(),
            (new Ids('sends', 'Sends its clock to ports', 'port', 16))->meaning('MIDI clock, 24 ticks a beat.'),
        ];
    }
}
