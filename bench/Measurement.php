<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

/** One thing that is measured, against something else in the same run: the machines are noisy, ratios less so. */
interface Measurement
{
    public function title(): string;

    /** @return iterable<Line> */
    public function run(): iterable;
}
