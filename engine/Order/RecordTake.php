<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Core\Live\Recording\RecordingPlan;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** Points are armed, and recorded along a timeline. */
final readonly class RecordTake implements Order
{
    /** @param list<string> $points references */
    public function __construct(
        private string $timeline,
        private array $points,
        private string $mode,
        private bool $plays,
        private float $from,
        private float $to,
        private float $countIn,
        private float $latency,
        private float $still,
    ) {
    }

    public static function kind(): string
    {
        return 'record';
    }

    public static function label(): string
    {
        return 'Record a take';
    }

    public static function fields(): array
    {
        return [
            new Id('timeline', 'Timeline', 'timeline', true),
            new TextList('points', 'Points', 64, 200),
            Field::word('mode', 'It writes', RecordingPlan::MODES, 'touch')->called(RecordingPlan::TITLES),
            Field::flag('plays', 'The timeline plays meanwhile', true),
            Field::number('from', 'It writes from', 0.0, Timeline::LONGEST, 0.0),
            Field::number('to', 'It writes until; 0 for as long as it goes on', 0.0, Timeline::LONGEST, 0.0),
            Field::number('countIn', 'Count-in (s)', 0.0, 60.0, 0.0),
            Field::number('latency', 'A hand is late by (s)', 0.0, 2.0, 0.0),
            Field::number('still', 'Not touched any more after (s)', 0.1, 10.0, 0.5),
        ];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        if ($this->to > 0.0 && $this->to <= $this->from) {
            throw new CommandRefused('It would write nothing: the place where it ends is not behind the one where it begins.');
        }
        $points = array_map(static fn(string $text): Reference => $reach->point(Reference::parse($text)), $this->points);
        $plan = new RecordingPlan(
            $this->timeline,
            $points,
            $this->mode,
            $this->plays,
            $this->from,
            $this->to > 0.0 ? $this->to : null,
            $this->countIn,
            $this->latency,
            $this->still,
        );
        $reach->done($reach->engine->run(static fn(LiveProgramme $programme, int $now): string => $programme->recorder->start(
            $plan,
            $now,
        )));

        return null;
    }
}
