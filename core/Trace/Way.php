<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** What became of a value on its way through a route, step by step; it is written down as it goes. */
final class Way
{
    /** @var list<float> the value as it came, and after each step */
    public array $values = [];

    /** @return string "0.5 → 127.5 → 128"; '' where no step was on its way */
    public function words(): string
    {
        $spelled = array_map(
            static fn(float $value): string => rtrim(rtrim(number_format($value, 4, '.', ''), '0'), '.'),
            $this->values,
        );

        return \count($spelled) < 2 ? '' : implode(' → ', $spelled);
    }
}
