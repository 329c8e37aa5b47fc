<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use App\Shows\FreeIds;
use Illuminate\Support\Str;
use NimbleJunction\Core\Furnishing\LevelLines;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Take;
use NimbleJunction\Core\Timeline\Timeline;

/** A take is chosen: what it did is laid over the levels, in its time. */
final class LayTake extends TimelineDeed
{
    public function __construct(string $id, private readonly string $take)
    {
        parent::__construct($id);
    }

    public function summary(): string
    {
        return "lay take \"{$this->take}\" on timeline \"{$this->id}\"";
    }

    public function change(array $part, Timeline $timeline, Show $show, Draft $draft): array
    {
        [$lines, $fresh] = (new LevelLines($show, $timeline))->laid(self::take($timeline, $this->take));
        $part = self::withLines($part, $lines);
        $ids = new FreeIds('tracks', array_column(self::listOf($part, 'tracks'), 'id'));
        foreach ($fresh as $one) {
            $does = ['kind' => 'levels', 'point' => $one['point'], 'knots' => self::written($one['knots'])];
            $part['tracks'] = [
                ...self::listOf($part, 'tracks'),
                ['id' => $ids->forName(Str::slug($one['name']) ?: 'level'), 'name' => $one['name'], 'does' => $does],
            ];
        }
        $this->says = ['tracks' => \count($lines) + \count($fresh)];

        return $part;
    }

    public static function take(Timeline $timeline, string $id): Take
    {
        foreach ($timeline->takes as $take) {
            if ($take->id === $id) {
                return $take;
            }
        }
        throw self::refused("there is no take \"{$id}\"", 'It may have been deleted on another page.');
    }
}
