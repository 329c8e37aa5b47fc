<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Tape;

/** Whoever has the tapes on which ports were recorded, and plays them. */
interface Deck
{
    /** @return array<string, string> names by id */
    public function names(): array;

    public function isPlaying(string $id): bool;

    public function loops(string $id): bool;

    /** @return array<string, string> names of the parts of a tape, by id */
    public function parts(string $id): array;

    /**
     * @param string $part id of the part that is played; '' for all, or what it was cut to
     *
     * @return string why not; '' when it plays
     */
    public function play(string $id, string $part = ''): string;

    public function stop(string $id): string;

    public function setLoop(string $id, bool $loops): string;
}
