<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** By points that are drawn by hand, in straight lines from one to the next. */
final readonly class TableStep implements Step, Checked
{
    /** @param list<float> $points what comes in, and what goes out, in pairs */
    public function __construct(public array $points)
    {
    }

    public static function kind(): string
    {
        return 'table';
    }

    public static function label(): string
    {
        return 'By a table of points';
    }

    public static function fields(): array
    {
        return [
            Field::list('points', 'In and out, in pairs: 0, 0, 128, 40, 255, 255'),
        ];
    }

    public function check(Fields $fields): void
    {
        $count = \count($this->points);
        if ($count < 4 || $count % 2 === 1) {
            $fields->fault('points', "these are {$count} numbers", 'Give at least two pairs of in and out, like 0, 0, 255, 100.');

            return;
        }
        for ($i = 2; $i < $count; $i += 2) {
            if ($this->points[$i] <= $this->points[$i - 2]) {
                $fields->fault(
                    'points',
                    Template::number($this->points[$i]).' comes after '.Template::number($this->points[$i - 2]),
                    'Let what comes in rise from pair to pair.',
                );

                return;
            }
        }
    }

    public function apply(float $value, Passing $passing): float
    {
        $count = \count($this->points);
        for ($i = 2; $i < $count; $i += 2) {
            [$low, $from, $high, $to] = \array_slice($this->points, $i - 2, 4);
            if ($value <= $high || $i === $count - 2) {
                $share = max(0.0, min(1.0, ($value - $low) / ($high - $low)));

                return $from + $share * ($to - $from);
            }
        }

        return $value;
    }

    public function words(Wording $wording): string
    {
        return 'by a table of '.intdiv(\count($this->points), 2).' points';
    }
}
