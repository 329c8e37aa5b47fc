<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** What the parts of a show are called, for sentences about routes. */
interface Wording
{
    public function port(string $id): string;

    public function universe(string $id): string;

    public function point(string $reference): string;

    public function middleC(): int;

    /** @return string what a note means, to stand behind it; '' where nothing was agreed */
    public function agreed(int $note, ?int $channel): string;
}
