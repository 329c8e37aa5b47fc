<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Wording;

/** At these times of the day, also over midnight. */
final readonly class TimeCondition implements Condition
{
    private const PATTERN = '#^(?:[01]\d|2[0-3]):[0-5]\d$#D';
    private const RULE = 'Use hours and minutes, like 19:30.';

    public function __construct(public string $from, public string $to)
    {
    }

    public static function kind(): string
    {
        return 'time';
    }

    public static function label(): string
    {
        return 'Within a time of the day';
    }

    public static function fields(): array
    {
        return [
            Field::pattern('from', 'From, like 19:30', self::PATTERN, self::RULE),
            Field::pattern('to', 'To, like 23:00', self::PATTERN, self::RULE),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        $now = $passing->secondOfDay();
        if ($now === null) {
            return new Missed('wants a time of the day, and nobody has said what time it is');
        }
        [$from, $to] = [self::second($this->from), self::second($this->to)];
        $isWithin = $from <= $to ? $now >= $from && $now < $to : $now >= $from || $now < $to;

        return $isWithin ? null : new Missed(
            "wants to be between {$this->from} and {$this->to}, it is "
                .\sprintf('%02d:%02d', intdiv($now, 3600), intdiv($now, 60) % 60),
        );
    }

    private static function second(string $time): int
    {
        [$hour, $minute] = explode(':', $time) + ['0', '0'];

        return (int) $hour * 3600 + (int) $minute * 60;
    }

    public function words(Wording $wording): string
    {
        return "it is between {$this->from} and {$this->to}";
    }
}
