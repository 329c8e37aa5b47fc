<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** What arrived says so: its velocity, another argument, what a pattern took. */
final readonly class ArrivedCondition implements Condition, Checked
{
    public const NAME = '#^(?:[a-z][a-z0-9-]{0,63}|[1-9][0-9]?)$#D';
    public const RULE = 'Use a name of what arrives, like velocity, note, value, cue, list, argument-2 or text, or 1 for what the first wildcard took.';

    public function __construct(
        public string $name,
        public int|float|string|null $is = null,
        public ?float $low = null,
        public ?float $high = null,
    ) {
    }

    public static function kind(): string
    {
        return 'arrived';
    }

    public static function label(): string
    {
        return 'What arrived says so';
    }

    public static function fields(): array
    {
        return [
            Field::pattern('name', 'Which part of it, like velocity, cue or argument-2', self::NAME, self::RULE),
            Field::anything('is', 'It is; empty for any', false),
            Field::number('low', 'It is at least', -1e9, 1e9, null, false),
            Field::number('high', 'It is at most', -1e9, 1e9, null, false),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->low !== null && $this->high !== null && $this->high < $this->low) {
            $fields->fault('high', 'it is '.Template::number($this->high), 'It is at least '.Template::number($this->low).'.');
        }
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        $is = $passing->event->fields()[$this->name] ?? null;
        if ($is === null) {
            return new Missed("wants to know of its {$this->name}, it has none");
        }
        $isOther = $this->is !== null
            && (is_numeric($is) && is_numeric($this->is)
                ? (float) $is !== (float) $this->is
                : (string) $is !== (string) $this->is);

        return match (true) {
            $isOther => new Missed("wants its {$this->name} to be {$this->is}, it is {$is}", ['is' => $is]),
            $this->low === null && $this->high === null => null,
            ! is_numeric($is) => new Missed("wants a number as its {$this->name}, it is {$is}"),
            $this->low !== null
                && (float) $is < $this->low => new Missed(
                    "wants its {$this->name} to be at least ".Template::number($this->low).", it is {$is}",
                    ['low' => (float) $is],
                ),
            $this->high !== null
                && (float) $is > $this->high => new Missed(
                    "wants its {$this->name} to be at most ".Template::number($this->high).", it is {$is}",
                    ['high' => (float) $is],
                ),
            default => null,
        };
    }

    public function words(Wording $wording): string
    {
        return "its {$this->name} is ".implode(' and ', array_filter([
            $this->is === null ? '' : (string) $this->is,
            $this->low === null ? '' : 'at least '.Template::number($this->low),
            $this->high === null ? '' : 'at most '.Template::number($this->high),
        ], static fn(string $one): bool => $one !== '') ?: ['there']);
    }
}
