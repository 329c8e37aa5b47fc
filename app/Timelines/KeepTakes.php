<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use App\Shows\FreeIds;
use Illuminate\Support\Str;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Timeline\Timeline;

/** Takes that were recorded are kept with the timeline, each with a name; the last of them is laid on its tracks. */
final class KeepTakes extends TimelineDeed
{
    /**
     * @param list<array<string, mixed>> $takes each with its lanes, as the engine says them
     * @param bool $lays whether the last one is laid on the tracks too
     */
    public function __construct(string $id, private readonly array $takes, private readonly bool $lays)
    {
        parent::__construct($id);
    }

    public function summary(): string
    {
        return "keep what was recorded on timeline \"{$this->id}\"";
    }

    protected function change(array $part, Timeline $timeline, Show $show, Draft $draft): array
    {
        if ($this->takes === []) {
            throw self::refused('there is no take', 'Record one first.');
        }
        $kept = self::listOf($part, 'takes');
        $ids = new FreeIds('takes', array_column($kept, 'id'));
        $id = '';
        foreach ($this->takes as $take) {
            $name = \is_string($take['name'] ?? null) && $take['name'] !== '' ? $take['name'] : 'Take '.(\count($kept) + 1);
            $id = $ids->forName(Str::slug($name) ?: 'take');
            $kept[] = ['id' => $id, 'name' => $name, 'lanes' => $take['lanes'] ?? []];
        }
        $part = [...$part, 'takes' => $kept];
        $this->says = ['take' => $id];
        if (! $this->lays) {
            return $part;
        }
        // It is read as part of the show before it is laid: what is wrong with it is said.
        $draft->put('timelines', $this->id, $part);
        $read = ShowReader::fromArray($draft->document());
        $lay = new LayTake($this->id, $id);

        return $lay->change($part, $read->timelines[$this->id], $read, $draft);
    }
}
