<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowRefused;

/** Why something cannot be done to the patch, in the same words wherever it comes up. */
final class Refusal
{
    public static function of(string $field, string $problem, string $wayOut): ShowRefused
    {
        return ShowRefused::because([new Fault("/{$field}", $problem, $wayOut)]);
    }

    /** @throws ShowRefused when it is not there */
    public static function fixture(Show $show, string $id, string $field): Fixture
    {
        return $show->fixtures[$id] ?? throw self::of(
            $field,
            "there is no fixture \"{$id}\"",
            'Somebody may have deleted it meanwhile: look at the list again.',
        );
    }
}
