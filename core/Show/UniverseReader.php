<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Merge\MergeRule;
use NimbleJunction\Core\Merge\Swaps;
use NimbleJunction\Core\Universe\Curve;
use NimbleJunction\Core\Universe\LossRule;
use NimbleJunction\Core\Universe\Rules;
use NimbleJunction\Core\Universe\ShapeEntry;
use NimbleJunction\Core\Universe\WhenLost;

/** Reads what a show document says of universes and runs of their slots. */
final class UniverseReader
{
    public static function universe(Fields $fields): UniverseEntry
    {
        $merge = MergeRule::from($fields->word('merge', array_column(MergeRule::cases(), 'value'), 'htp'));
        $look = $fields->has('look') ? self::spans($fields, 'look', 'level', 255) : [];
        $latest = $fields->has('latest') ? self::spans($fields, 'latest', null, 1) : [];

        return new UniverseEntry(
            $fields->id(),
            $fields->string('name'),
            new Rules(
                $merge,
                new WhenLost(
                    LossRule::from($fields->word('whenLost', array_column(LossRule::cases(), 'value'), 'hold')),
                    (int) round($fields->within('fadeSeconds', 0.0, 3600.0, 3.0) * 1e9),
                    $look === [] ? '' : Span::paint($look),
                ),
                Span::paint($latest),
                $merge === MergeRule::Chosen || $fields->has('chosen') ? $fields->id('chosen') : '',
                swaps: self::swaps($fields),
            ),
            self::shapes($fields),
        );
    }

    public static function copy(Fields $fields): CopyEntry
    {
        $from = $fields->object('from');
        $to = $fields->object('to');
        $first = $from?->whole('first', 1, 512) ?? 1;
        $at = $to?->whole('first', 1, 512) ?? 1;
        $copy = new CopyEntry(
            $fields->id(),
            $fields->string('name'),
            $fields->flag('enabled', true),
            $from?->id('universe') ?? '',
            $first,
            $from?->whole('count', 1, 513 - $first, 1) ?? 1,
            $to?->id('universe') ?? '',
            $at,
            $fields->whole('repeat', 1, 512, 1),
            $fields->whole('limit', $at, 512, 512),
        );
        $from?->close();
        $to?->close();

        return $copy;
    }

    /**
     * @param string|null $value what the number of a span is called; null when it has none
     *
     * @return list<Span>
     */
    public static function spans(Fields $fields, string $name, ?string $value, int $highest): array
    {
        $spans = [];
        foreach ($fields->objects($name, 512) as $span) {
            $first = $span->whole('first', 1, 512);
            $spans[] = new Span($first, $span->whole('last', $first, 512, $first), $value === null ? 1 : $span->whole($value, 0, $highest));
            $span->close();
        }

        return $spans;
    }

    /** @return list<ShapeEntry> */
    private static function shapes(Fields $fields): array
    {
        $shapes = [];
        foreach ($fields->objects('shapes', 512) as $shape) {
            $first = $shape->whole('first', 1, 512);
            $low = $shape->whole('low', 0, 255, 0);
            $shapes[] = new ShapeEntry(
                $first,
                $shape->whole('last', $first, 512, $first),
                Curve::from($shape->word('curve', array_column(Curve::cases(), 'value'), 'linear')),
                $shape->flag('inverted', false),
                $low,
                $shape->whole('high', $low, 255, 255),
            );
            $shape->close();
        }

        return $shapes;
    }

    private static function swaps(Fields $fields): ?Swaps
    {
        $swaps = [];
        foreach ($fields->objects('swaps', 256) as $swap) {
            $first = $swap->whole('first', 1, 512);
            $with = $swap->whole('with', 1, 512);
            $count = $swap->whole('count', 1, max(1, min(abs($with - $first), 513 - max($first, $with))), 1);
            if ($first === $with) {
                $swap->fault('with', 'a slot cannot change places with itself', 'Give another slot.');
            }
            $swaps[] = ['first' => $first, 'with' => $with, 'count' => $count];
            $swap->close();
        }

        return $swaps === [] ? null : new Swaps($swaps);
    }
}
