<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** Something that happened, with its hops so far. Like events within a second are counted in one. */
final class Event
{
    public const MOST_HOPS = 24;

    /** @var list<Hop> */
    public array $hops = [];
    public int $count = 1;

    /** Grows over the whole trace whenever any event changes: what a reader asks for next. */
    public int $revision = 0;

    public function __construct(
        public readonly int $serial,
        public readonly Kind $kind,
        public readonly string $key,
        public readonly string $portId,
        public readonly int $startedAt,
        public int $at,
        private string|Fact $what,
    ) {
    }

    /** The same happens again: it is told anew. */
    public function again(string|Fact $what, int $now): void
    {
        ++$this->count;
        $this->at = $now;
        $this->what = $what;
        $this->hops = [];
    }

    public function title(Names $names): string
    {
        return $this->what instanceof Fact ? $this->what->words($names) : $this->what;
    }
}
