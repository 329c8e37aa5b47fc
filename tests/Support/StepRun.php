<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Minds;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Step;

/** One step by itself, with its mind, a point that it may read, and a clock that somebody else moves on. */
final class StepRun implements Readings
{
    /** Where the point is. */
    public float|int|null $is = null;

    /** @var list<array{float, float, string}> */
    public array $ranges = [];
    private int $now = 1_000_000_000;
    private readonly Minds $minds;
    private readonly Route $route;

    public function __construct(private readonly Step $step)
    {
        $this->minds = new Minds();
        $this->route = new Route('r', 'R', true, [], [], [$step], []);
    }

    public static function point(): Reference
    {
        return Reference::parse('value:goal') ?? throw new \LogicException('it is one');
    }

    public function read(Reference $reference): int|float|string|null
    {
        return $this->is;
    }

    public function describe(Reference $reference): Point
    {
        return new Point($reference, 'Goal', PointKind::Level, ranges: $this->ranges);
    }

    public function apply(float $value, int $source = 0): ?float
    {
        $passing = new Passing($this->now, new Occurred('test'), $this->route, $this->minds, $this, $source);

        return $this->step->apply($value, $passing->at('step 0'));
    }

    public function pass(float $seconds): void
    {
        $this->now += (int) round($seconds * 1e9);
    }
}
