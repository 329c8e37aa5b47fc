<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Preview;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Minds;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Sequence;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/**
 * What a route would do, before it is kept: as if its first trigger had come, with a value of one's choice. Points are read
 * as nothing, and conditions are left out.
 */
final class Preview implements Readings
{
    private const MOST_PAUSES = 200;
    private const GAP = '/\{([a-z0-9-]+)(?::[a-z0-9-]+)?\}/';

    /** As what it is looked at: the message, or what has happened. */
    public readonly string $as;

    /** The value that goes into the steps. */
    public readonly float $value;

    /** @var list<array{string, ?float}> each step in words, and what it makes of the value; null where nothing passes */
    public readonly array $steps;

    /** @var list<Line> */
    public readonly array $lines;

    /** @var list<string> what texts may speak of */
    public readonly array $names;

    /** @var list<string> gaps in its texts that nothing fills */
    public readonly array $unknown;

    public function __construct(Route $route, ?float $value, Wording $wording)
    {
        $trigger = $route->triggers[0] ?? null;
        $sample = $trigger?->sample() ?? new Occurred('nothing');
        $taken = $trigger?->take($sample);
        $fields = ($taken instanceof Taken ? $taken->names : []) + $sample->fields();
        $event = new Occurred('preview', $fields);
        $this->as = $sample instanceof Heard
            ? $sample->message->spelled($wording->middleC())
            : ($trigger?->words($wording) ?? '');
        $this->value = $value ?? ($taken instanceof Taken ? $taken->value : 1.0);
        $passing = new Passing(0, $event, $route, new Minds(), $this);
        $steps = [];
        $made = $this->value;
        foreach ($route->steps as $i => $step) {
            $made = $made === null ? null : $step->apply($made, $passing->at("step {$i}"));
            $steps[] = [$step->words($wording), $made];
        }
        $this->steps = $steps;
        $this->lines = $made === null || ! is_finite($made) ? [] : self::done($route, $made, $event, $wording);
        $this->names = ['value', ...array_map(strval(...), array_keys($fields))];
        $this->unknown = array_values(array_diff(self::gaps($route->actions), $this->names));
    }

    public function read(Reference $reference): null
    {
        return null;
    }

    public function describe(Reference $reference): ?Point
    {
        return null;
    }

    /** @return list<Line> */
    private static function done(Route $route, float $value, Occurred $event, Wording $wording): array
    {
        $turn = new DryTurn($wording);
        $place = [];
        for ($i = 0; $i < self::MOST_PAUSES && ! $turn->isFull(); ++$i) {
            $pause = Sequence::perform($route->actions, $value, $event, $turn, $place);
            if ($pause === null) {
                break;
            }
            $turn->waits($pause->seconds);
            $place = $pause->place;
        }

        return $turn->lines;
    }

    /**
     * @param array<mixed> $parts
     *
     * @return list<string> names of the gaps in all their texts
     */
    private static function gaps(array $parts): array
    {
        $gaps = [];
        foreach ($parts as $part) {
            if (\is_string($part) && preg_match_all(self::GAP, $part, $found) > 0) {
                array_push($gaps, ...$found[1]);
            } elseif (\is_array($part) || $part instanceof Kind) {
                array_push($gaps, ...self::gaps((array) $part));
            }
        }

        return array_values(array_unique($gaps));
    }

    /** @return array<string, mixed> for the page */
    public function spelled(): array
    {
        return [
            'as' => $this->as,
            'value' => $this->value,
            'steps' => array_map(
                static fn(array $step): array => [
                    'words' => $step[0],
                    'value' => $step[1] === null ? null : Template::number($step[1]),
                ],
                $this->steps,
            ),
            'lines' => array_map(
                static fn(Line $line): array => ['words' => $line->words, 'bytes' => $line->bytes],
                $this->lines,
            ),
            'names' => $this->names,
            'unknown' => $this->unknown,
        ];
    }
}
