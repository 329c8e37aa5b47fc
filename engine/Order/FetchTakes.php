<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Live\Recording\RecordedPass;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\TakeLane;
use NimbleJunction\Engine\Said\RecordedKnot;
use NimbleJunction\Engine\Said\RecordedLane;
use NimbleJunction\Engine\Said\RecordedTake;
use NimbleJunction\Engine\Said\RecordedTakes;
use NimbleJunction\Engine\Said\Said;

/** What was recorded, as lines that are no farther away from it than a tolerance. */
final readonly class FetchTakes implements Order
{
    public function __construct(private float $tolerance)
    {
    }

    public static function kind(): string
    {
        return 'recorded';
    }

    public static function label(): string
    {
        return 'What was recorded';
    }

    public static function fields(): array
    {
        return [Field::number('tolerance', 'Off by at most (% of its range)', 0.0, 50.0, 0.2)];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): string
    {
        return RecordedTakes::class;
    }

    public function obey(Reach $reach): Said
    {
        $recorder = $reach->engine->junction->programme->recorder;

        return new RecordedTakes(
            $recorder->plan->timeline ?? '',
            array_map(
                fn(RecordedPass $pass): RecordedTake => new RecordedTake(array_map(
                    self::lane(...),
                    $pass->lanes($this->tolerance / 100.0),
                )),
                $recorder->passes,
            ),
        );
    }

    private static function lane(TakeLane $lane): RecordedLane
    {
        return new RecordedLane(
            $lane->from,
            $lane->to,
            $lane->point?->text() ?? '',
            array_map(
                static fn(Knot $knot): RecordedKnot => new RecordedKnot($knot->at, $knot->value, $knot->to->value),
                $lane->knots,
            ),
            $lane->samples,
            $lane->off,
        );
    }
}
