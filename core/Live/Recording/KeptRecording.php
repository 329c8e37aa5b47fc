<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Recording;

use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Timeline\Knot;

/** Passes that were recorded, and nobody has kept or thrown away yet, wait over a restart: told by fewer points, hardly off. */
final readonly class KeptRecording implements Room
{
    private const PART = 'passes';

    /** So far, as a share of a point's range, they are off after a restart. Our own choice. */
    private const TOLERANCE = 0.0002;

    /** More values than these are not kept: writing them down would hold up what leaves. Our own limit. */
    private const MOST_SAMPLES = 40_000;

    public function __construct(private Recorder $recorder, private Points $points)
    {
    }

    public function key(): string
    {
        return 'recording';
    }

    public function revisions(): array
    {
        return $this->recorder->passes === [] || $this->recorder->samples > self::MOST_SAMPLES
            ? []
            : [self::PART => \count($this->recorder->passes)];
    }

    public function kept(string $part, int $now): array
    {
        $passes = [];
        foreach ($this->recorder->passes as $pass) {
            $spans = [];
            foreach ($pass->lanes(self::TOLERANCE) as $lane) {
                $spans[] = [
                    'point' => $lane->point?->text() ?? '',
                    'from' => $lane->from,
                    'to' => $lane->to,
                    'samples' => array_map(static fn(Knot $knot): array => [$knot->at, $knot->value], $lane->knots),
                ];
            }
            $passes[] = $spans;
        }

        return ['timeline' => $this->recorder->plan->timeline ?? '', 'passes' => $passes];
    }

    public function restore(Stored $stored): void
    {
        $part = $stored->part(self::PART);
        $passes = [];
        foreach ($part->parts('passes') as $pass) {
            $spans = [];
            foreach ($pass->names() as $name) {
                $span = $this->span($pass->part($name));
                $spans = $span === null ? $spans : [...$spans, $span];
            }
            $passes = $spans === [] ? $passes : [...$passes, new RecordedPass($spans)];
        }
        $this->recorder->resume($part->text('timeline'), $passes);
    }

    /** @return array{Reference, Point, RecordedSpan}|null null where its point is gone, or nothing is in it */
    private function span(Stored $stored): ?array
    {
        $reference = Reference::parse($stored->text('point'));
        $point = $reference === null ? null : $this->points->describe($reference);
        $from = $stored->scalar('from');
        $to = $stored->scalar('to');
        $samples = [];
        foreach ($stored->list('samples') as $sample) {
            $at = \is_array($sample) ? $sample[0] ?? null : null;
            $value = \is_array($sample) ? $sample[1] ?? null : null;
            if (is_numeric($at) && is_numeric($value)) {
                $samples[] = [(float) $at, (float) $value];
            }
        }
        if ($reference === null || $point === null || $samples === [] || ! is_numeric($from) || ! is_numeric($to)) {
            return null;
        }

        return [$reference, $point, RecordedSpan::of((float) $from, (float) $to, $samples)];
    }
}
