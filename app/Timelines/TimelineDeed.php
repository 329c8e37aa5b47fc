<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use App\Shows\PartMissing;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Timeline\Track;

/** Something that is done to a timeline as a whole. */
abstract class TimelineDeed
{
    /** @var array<string, int|float|string> what is answered beside the show */
    public array $says = [];

    public function __construct(protected readonly string $id)
    {
    }

    /** What it is called in the history. */
    abstract public function summary(): string;

    /**
     * @param array<string, mixed> $part
     *
     * @return array<string, mixed> the timeline as it is then
     *
     * @throws ShowRefused
     */
    abstract protected function change(array $part, Timeline $timeline, Show $show, Draft $draft): array;

    /** @throws ShowRefused|PartMissing */
    public function apply(Draft $draft): void
    {
        $draft->read('timelines', [$this->id]);
        $part = $draft->part('timelines', $this->id) ?? throw new PartMissing(
            "There is no timeline \"{$this->id}\": it may have been deleted on another page.",
        );
        $show = ShowReader::fromArray($draft->document());
        $draft->put('timelines', $this->id, $this->change($part, $show->timelines[$this->id], $show, $draft));
    }

    /** @throws ShowRefused */
    protected static function track(Timeline $timeline, mixed $id): Track
    {
        foreach ($timeline->tracks as $track) {
            if ($track->id === $id) {
                return $track->locked ? throw self::refused("track \"{$track->name}\" is locked", 'Unlock it first.') : $track;
            }
        }
        throw self::refused('there is no such track', 'It may have been deleted on another page.');
    }

    protected static function refused(string $problem, string $wayOut): ShowRefused
    {
        return ShowRefused::because([new Fault('', $problem, $wayOut)]);
    }

    /**
     * @param array<string, mixed> $part
     * @param array<string, list<Knot>> $lines by the track's id
     *
     * @return array<string, mixed>
     */
    protected static function withLines(array $part, array $lines): array
    {
        $tracks = self::listOf($part, 'tracks');
        foreach ($tracks as $i => $track) {
            $knots = $lines[(string) $track['id']] ?? null;
            if ($knots !== null) {
                $tracks[$i]['does'] = [...(array) $track['does'], 'knots' => self::written($knots)];
            }
        }

        return [...$part, 'tracks' => $tracks];
    }

    /**
     * @param list<Knot> $knots
     *
     * @return list<array<string, float|string>>
     */
    protected static function written(array $knots): array
    {
        return array_map(static fn(Knot $knot): array => $knot->written(), $knots);
    }

    /**
     * @param array<string, mixed> $part
     *
     * @return list<array<string, mixed>>
     */
    protected static function listOf(array $part, string $name): array
    {
        $list = $part[$name] ?? [];

        return \is_array($list) ? array_values(array_filter($list, \is_array(...))) : [];
    }
}
