<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Route;

/** All timelines and time codes of a show, and what they are when they run. */
final readonly class Timelines
{
    public const PARTS = [
        '',
        'position',
        'rate',
        'running',
        'loop',
        'section',
        'play',
        'pause',
        'stop',
        'next',
        'previous',
        'record',
        'round',
    ];
    public const TIMECODE_PARTS = ['', 'seconds', 'running', 'speed', 'start', 'stop'];

    /** @var array<string, Route> by id: what happens at moments, and who owns what tracks give */
    public array $routes;

    /**
     * @param array<string, Timeline> $timelines by id
     * @param array<string, TimecodeEntry> $timecodes by id
     */
    public function __construct(public array $timelines = [], public array $timecodes = [])
    {
        $routes = [];
        foreach ($timelines as $timeline) {
            foreach ($timeline->tracks as $track) {
                $routes[] = $track->does?->routes($timeline, $track) ?? [];
            }
        }
        $this->routes = array_merge(...$routes);
    }

    public function has(Reference $reference): bool
    {
        return match ($reference->kind) {
            'timeline' => isset($this->timelines[$reference->id]) && \in_array($reference->part, self::PARTS, true),
            'timecode' => isset($this->timecodes[$reference->id]) && \in_array($reference->part, self::TIMECODE_PARTS, true),
            default => false,
        };
    }

    /** A point of them in words: "timeline Song, position". */
    public function said(Reference $reference): string
    {
        $name = match ($reference->kind) {
            'timeline' => isset($this->timelines[$reference->id]) ? "timeline {$this->timelines[$reference->id]->name}" : '',
            'timecode' => isset($this->timecodes[$reference->id]) ? "time code {$this->timecodes[$reference->id]->name}" : '',
            default => '',
        };

        return match (true) {
            $name === '' => $reference->text(),
            $reference->part === '' => $name,
            default => "{$name}, {$reference->part}",
        };
    }
}
