<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fault;

/** A show document that cannot be used. Nothing has changed because of it. */
final class ShowRefused extends \RuntimeException
{
    /** @param non-empty-list<Fault> $faults */
    private function __construct(public readonly array $faults)
    {
        parent::__construct(implode("\n", array_map(static fn(Fault $fault): string => $fault->spelled(), $faults)));
    }

    /** @param non-empty-list<Fault> $faults */
    public static function because(array $faults): self
    {
        return new self($faults);
    }

    public static function notJson(string $why): self
    {
        return new self([new Fault(
            '',
            "it is not JSON ({$why})",
            'Give a file that was exported from here, or one that follows schema/show.schema.json.',
        )]);
    }
}
