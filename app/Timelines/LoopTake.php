<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use App\Shows\FreeIds;
use NimbleJunction\Core\Furnishing\LoopOfTake;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Timeline;

/** A take becomes a timeline of its own that goes round and round: on the beat, or while a look is on. */
final class LoopTake extends TimelineDeed
{
    /**
     * @param float $beats so many; 0 for as long as it took
     * @param string $look id of the one while which it runs; '' for none
     */
    public function __construct(
        string $id,
        private readonly string $take,
        private readonly float $beats,
        private readonly string $look,
    ) {
        parent::__construct($id);
    }

    public function summary(): string
    {
        return "let take \"{$this->take}\" of timeline \"{$this->id}\" go round";
    }

    protected function change(array $part, Timeline $timeline, Show $show, Draft $draft): array
    {
        $take = LayTake::take($timeline, $this->take);
        $loop = new LoopOfTake($show, $take, $this->beats);
        if ($loop->length() <= 0.0) {
            throw self::refused('there is nothing in that take', 'Choose another one.');
        }
        if ($this->beats > 0.0 && $show->tempos === []) {
            throw self::refused('there is no tempo yet', 'Add a tempo first, or let it take as long as it took.');
        }
        if ($this->look !== '' && ! isset($show->looks[$this->look])) {
            throw self::refused("there is no look \"{$this->look}\"", 'Choose one of the show.');
        }
        $name = mb_substr("{$take->name}, {$timeline->name}", 0, 120);
        $tempo = $timeline->tempo !== '' ? $timeline->tempo : (string) array_key_first($show->tempos);
        $made = $loop->timeline(
            $name,
            $timeline->folder,
            $this->beats > 0.0 || $timeline->unit === 'beats' ? $tempo : '',
            $timeline->unit,
        );
        $id = (new FreeIds('timelines', $draft->ids('timelines')))->forName($name);
        $draft->put('timelines', $id, $made);
        if ($this->look !== '') {
            $this->follow($draft, $show, $id, $name);
        }
        $this->says = ['timeline' => $id];

        return $part;
    }

    /** It plays as long as the look is on. */
    private function follow(Draft $draft, Show $show, string $timeline, string $name): void
    {
        $ids = new FreeIds('routes', $draft->ids('routes'));
        $look = $show->looks[$this->look]->name;
        foreach ([1 => 'play', 0 => 'stop'] as $is => $verb) {
            $called = mb_substr(($is === 1 ? 'With ' : 'Without ')."{$look}: {$name}", 0, 120);
            $draft->put('routes', $ids->forName($called), [
                'name' => $called,
                'when' => [['kind' => 'point', 'point' => "look:{$this->look}/active", 'is' => $is]],
                'do' => [['kind' => 'press', 'point' => "timeline:{$timeline}/{$verb}"]],
            ]);
        }
    }
}
