<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fields;

/** What the clock of the day shows at this moment: {"time": "2026-06-21T21:00:00+02:00"}. */
final readonly class ClockSet implements Move
{
    public function __construct(private int $unixSeconds, private \DateTimeZone $zone)
    {
    }

    public static function field(): string
    {
        return 'time';
    }

    public static function read(Fields $fields, Stage $stage): self
    {
        $text = $fields->matching(
            'time',
            '/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(Z|[+-]\d\d:\d\d)$/D',
            'Give a time like 2026-06-21T21:00:00+02:00 (RFC 3339).',
        );
        $moment = $text === '' ? false : \DateTimeImmutable::createFromFormat(\DATE_RFC3339, $text);

        return $moment === false
            ? new self(0, new \DateTimeZone('UTC'))
            : new self($moment->getTimestamp(), $moment->getTimezone());
    }

    public function play(Stage $stage, int $now): array
    {
        $stage->junction->setClock($this->unixSeconds * 1_000_000_000, $now, $this->zone);

        return [];
    }
}
