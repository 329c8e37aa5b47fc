<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Surfaces;

use NimbleJunction\Engine\Said\ControlLife;
use NimbleJunction\Engine\Said\ControlsNews;

/** What the controls of a surface show, and what of that is news for whom: written once, however many are told. */
final class Moment
{
    /** Rises with every change. */
    public int $revision = 0;

    /** When that was found out, in nanoseconds. */
    public int $at = 0;

    /** @var array<string, array{ControlLife, string, int}> what each shows, written out, and since which revision, by control */
    private array $lives = [];

    /** @var array<int, string> what is news since a revision, written out */
    private array $written = [];

    public function __construct(private readonly string $surface)
    {
    }

    /** @param array<string, ControlLife> $lives by control */
    public function is(array $lives, int $now): void
    {
        $this->at = $now;
        $next = $this->revision + 1;
        $all = [];
        foreach ($lives as $id => $life) {
            $text = serialize([$life->at, $life->text, $life->isOn, $life->isSeen, $life->canMove, $life->called]);
            $known = $this->lives[$id] ?? null;
            $all[$id] = $known !== null && $known[1] === $text ? $known : [$life, $text, $next];
        }
        if ($all !== $this->lives) {
            $this->lives = $all;
            $this->revision = $next;
            $this->written = [];
        }
    }

    /** @return string JSON of what has changed since a revision; of all for 0 */
    public function since(int $revision): string
    {
        if (! isset($this->written[$revision])) {
            $news = array_filter($this->lives, static fn(array $one): bool => $one[2] > $revision);
            $message = new ControlsNews($this->surface, array_map(static fn(array $one): ControlLife => $one[0], $news));
            $this->written[$revision] = json_encode(
                $message,
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE,
            );
        }

        return $this->written[$revision];
    }
}
