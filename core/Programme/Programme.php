<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\Wave\Wave;
use NimbleJunction\Core\Route\Route;

/** The looks, cue lists, masters, waves and tempos of a show. */
final readonly class Programme
{
    public const LOOK_PARTS = ['', 'active', 'pressed'];
    public const LIST_PARTS = [
        '',
        'cue',
        'running',
        'follows',
        'rate',
        'go',
        'back',
        'pause',
        'resume',
        'stop',
        'release',
        'load',
        'now',
        'next',
    ];
    public const WAVE_PARTS = ['', 'rate', 'size', 'centre', 'phase', 'restart'];
    public const TEMPO_PARTS = ['', 'beat', 'bar', 'running', 'nudge', 'tap', 'align', 'double', 'half'];
    public const MASTER_PARTS = ['', 'flash', 'solo', 'zero', 'full', 'reset'];

    private const AT_ONCE = 100;

    /** Of all of it: the common fade time, and what lets go of everything. */
    public const FADE = 'fade-time';
    public const RELEASE = 'release';

    /** What begins the names of controls that show control sets; they are no points of a document. */
    public const CONTROL = 'control-';

    /** @var array<string, Route> by id: what looks and cues do besides, as ordinary routes */
    public array $routes;

    /**
     * @param array<string, Look> $looks by id
     * @param array<string, CueList> $lists by id
     * @param array<string, Master> $masters by id
     * @param array<string, Wave> $waves by id
     * @param array<string, Tempo> $tempos by id
     */
    public function __construct(
        public array $looks = [],
        public array $lists = [],
        public array $masters = [],
        public array $waves = [],
        public array $tempos = [],
    ) {
        $routes = array_map(
            static fn(Look $look): array => $look->route === null ? [] : [$look->route->id => $look->route],
            array_values($looks),
        );
        array_push($routes, ...array_map(static fn(CueList $list): array => $list->routes, array_values($lists)));
        array_push(
            $routes,
            ...array_map(
                static fn(Wave $wave): array => $wave->beginning === null ? [] : [$wave->beginning->id => $wave->beginning],
                array_values($waves),
            ),
        );
        $routes = array_merge(...$routes);
        $this->routes = $routes;
    }

    /** @return iterable<list<PointValue>> of each look and each cue, a hundred at a time */
    public function values(): iterable
    {
        foreach ($this->looks as $look) {
            yield from array_chunk($look->values, self::AT_ONCE);
        }
        foreach ($this->lists as $list) {
            foreach ($list->cues as $cue) {
                yield from array_chunk($cue->values, self::AT_ONCE);
            }
        }
    }

    /** Whether what an owner gives universes is given by a look or a list of this programme. */
    public function owns(string $owner): bool
    {
        [$kind, $id] = [...explode(' ', $owner, 2), ''];

        return ($kind === 'look' && isset($this->looks[$id]))
            || ($kind === 'list' && isset($this->lists[$id]))
            || ($kind === 'wave' && isset($this->waves[$id]));
    }

    public function has(Reference $reference): bool
    {
        return match ($reference->kind) {
            'look' => isset($this->looks[$reference->id]) && \in_array($reference->part, self::LOOK_PARTS, true),
            'list' => isset($this->lists[$reference->id]) && \in_array($reference->part, self::LIST_PARTS, true),
            'master' => $reference->id === Master::BLACKOUT
                ? $reference->part === ''
                : isset($this->masters[$reference->id]) && \in_array($reference->part, self::MASTER_PARTS, true),
            'wave' => isset($this->waves[$reference->id]) && \in_array($reference->part, self::WAVE_PARTS, true),
            'tempo' => isset($this->tempos[$reference->id]) && \in_array($reference->part, self::TEMPO_PARTS, true),
            'programme' => \in_array($reference->id, [self::FADE, self::RELEASE], true) && $reference->part === '',
            default => false,
        };
    }

    /** A point of it in words: "look Doors", "go on list Walk". */
    public function said(Reference $reference): string
    {
        $name = match ($reference->kind) {
            'look' => isset($this->looks[$reference->id]) ? "look {$this->looks[$reference->id]->name}" : '',
            'list' => isset($this->lists[$reference->id]) ? "list {$this->lists[$reference->id]->name}" : '',
            'master' => $reference->id === Master::BLACKOUT
                ? 'blackout'
                : (isset($this->masters[$reference->id]) ? "master {$this->masters[$reference->id]->name}" : ''),
            'wave' => isset($this->waves[$reference->id]) ? "wave {$this->waves[$reference->id]->name}" : '',
            'tempo' => isset($this->tempos[$reference->id]) ? "tempo {$this->tempos[$reference->id]->name}" : '',
            'programme' => $reference->id === self::FADE ? 'the common fade time' : 'release all looks and lists',
            default => '',
        };
        if ($name === '') {
            return $reference->text();
        }

        return $reference->part === '' ? $name : "{$name}, {$reference->part}";
    }
}
