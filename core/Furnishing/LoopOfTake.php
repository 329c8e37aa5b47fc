<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Take;
use NimbleJunction\Core\Timeline\TakeLane;
use NimbleJunction\Core\Words\ShowWording;

/** A take as a timeline of its own that goes round and round: so many beats of a tempo, or as long as it took. */
final readonly class LoopOfTake
{
    private const DIGITS = 5;

    /** @param float $beats so many; 0 for as long as it took, in seconds */
    public function __construct(private Show $show, private Take $take, private float $beats)
    {
    }

    /** @return float how long the take is, in the unit in which it was recorded */
    public function length(): float
    {
        return $this->take->lanes === []
            ? 0.0
            : max(array_map(static fn(TakeLane $lane): float => $lane->to, $this->take->lanes)) - $this->begins();
    }

    /** @return array<string, mixed> fields of a timeline */
    public function timeline(string $name, string $folder, string $tempo, string $unit): array
    {
        $stretch = $this->beats > 0.0 ? $this->beats / max(0.001, $this->length()) : 1.0;
        $lines = [];
        foreach ($this->take->lanes as $lane) {
            $point = $lane->point?->text() ?? '';
            foreach ($point === '' ? [] : $lane->knots as $knot) {
                $lines[$point][] = (new Knot(
                    round(($knot->at - $this->begins()) * $stretch, self::DIGITS),
                    $knot->value,
                    $knot->to,
                    $knot->bend,
                ))->written();
            }
        }
        $tracks = [];
        foreach ($lines as $point => $knots) {
            $tracks[] = [
                'id' => 'level-'.(\count($tracks) + 1),
                'name' => mb_substr((new ShowWording($this->show))->point($point), 0, 60),
                'does' => ['kind' => 'levels', 'point' => $point, 'knots' => $knots],
            ];
        }

        return [
            'name' => $name,
            ...($folder === '' ? [] : ['folder' => $folder]),
            ...($this->beats > 0.0 || $unit === 'beats' ? ['unit' => 'beats'] : []),
            ...($tempo === '' ? [] : ['tempo' => $tempo]),
            'length' => round($this->length() * $stretch, self::DIGITS),
            'loop' => true,
            'end' => 'release',
            'tracks' => $tracks,
        ];
    }

    private function begins(): float
    {
        return min([\INF, ...array_map(static fn(TakeLane $lane): float => $lane->from, $this->take->lanes)]);
    }
}
