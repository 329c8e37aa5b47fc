<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme\Follow;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Programme\Follow;
use NimbleJunction\Core\Route\Trigger\TimecodeTrigger;

/** When time code at a port comes to a time, as long as the list is in this cue and runs. */
final readonly class TimecodeFollow implements Follow
{
    public function __construct(public string $port, public string $at)
    {
    }

    public static function kind(): string
    {
        return 'timecode';
    }

    public static function label(): string
    {
        return 'At a time code';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::pattern('at', 'At, like 01:00:00:00', TimecodeTrigger::PATTERN, TimecodeTrigger::RULE),
        ];
    }

    public function trigger(): TimecodeTrigger
    {
        return new TimecodeTrigger($this->port, $this->at);
    }

    /** The time code says when, and no time of ours. */
    public function after(int $longest): ?int
    {
        return null;
    }

    public function words(): string
    {
        return "the next one goes at the time code {$this->at}";
    }
}
