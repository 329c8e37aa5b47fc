<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fields;

/** The engine is killed, and begins again at once with what it had written down: {"restart": true}. */
final readonly class Restart implements Move
{
    public static function field(): string
    {
        return 'restart';
    }

    public static function read(Fields $fields, Stage $stage): self
    {
        if (! $fields->flag('restart', true)) {
            $fields->fault('restart', 'it is false', 'Use true, or leave the line out.');
        }

        return new self();
    }

    public function play(Stage $stage, int $now): array
    {
        $stage->restart($now);

        return $stage->junction->wake($now);
    }
}
