<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\PointRoom;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ValueEntry;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** Switches, numbers, choices and texts of the show's own. */
final class Values implements PointRoom, Room
{
    /** @var array<string, ValueEntry> by id */
    private array $entries = [];

    /** @var array<string, int|float|string> by id */
    private array $now = [];

    /** @var array<string, int> how often each has changed, by id */
    private array $changes = [];

    /**
     * @param \Closure(Reference, int|float|string|null, int|float|string|null): void $changed a point has another value,
     * and had this one
     */
    public function __construct(private readonly \Closure $changed)
    {
    }

    public function adopt(Plan $plan): void
    {
        $this->entries = $plan->values;
        $now = [];
        foreach ($plan->values as $id => $entry) {
            $before = $this->now[$id] ?? null;
            $now[$id] = $before !== null && self::refusal($entry, $before) === '' ? $before : $entry->start;
        }
        $this->now = $now;
    }

    public function key(): string
    {
        return 'values';
    }

    /** Of those that are kept. */
    public function revisions(): array
    {
        return array_map(
            fn(ValueEntry $entry): int => $this->changes[$entry->id] ?? 0,
            array_filter($this->entries, static fn(ValueEntry $entry): bool => $entry->isKept),
        );
    }

    public function kept(string $part, int $now): int|float|string
    {
        return $this->now[$part];
    }

    public function restore(Stored $stored): void
    {
        foreach ($this->entries as $id => $entry) {
            $value = $entry->isKept ? $stored->scalar($entry->id) : null;
            if ($value !== null && self::refusal($entry, $value) === '') {
                $this->now[$id] = $value;
            }
        }
    }

    public function kinds(): array
    {
        return ['value'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function slots(Reference $reference): array
    {
        return ['', []];
    }

    public function describe(Reference $reference): ?Point
    {
        $entry = $this->entries[$reference->id] ?? null;
        if ($entry === null || $reference->part !== '') {
            return null;
        }

        return new Point($reference, $entry->name, match ($entry->type) {
            'switch' => PointKind::Switch,
            'choice' => PointKind::Choice,
            'text' => PointKind::Text,
            default => PointKind::Number,
        }, $entry->low, $entry->high, choices: $entry->choices, isSet: true, isPressed: $entry->type === 'switch');
    }

    public function read(Reference $reference): int|float|string|null
    {
        return $this->now[$reference->id] ?? null;
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $entry = $this->entries[$reference->id] ?? null;
        if ($entry === null) {
            return 'there is no such value';
        }
        $value = match ($entry->type) {
            'switch' => is_numeric($value) ? (int) ((float) $value > 0) : $value,
            'number' => is_numeric($value) ? max($entry->low, min($entry->high, (float) $value)) : $value,
            default => \is_float($value) ? rtrim(rtrim(number_format($value, 4, '.', ''), '0'), '.') : (string) $value,
        };
        $refusal = self::refusal($entry, $value);
        $before = $this->now[$entry->id];
        if ($refusal === '' && $before !== $value) {
            $this->now[$entry->id] = $value;
            $this->changes[$entry->id] = ($this->changes[$entry->id] ?? 0) + 1;
            ($this->changed)($reference, $value, $before);
        }

        return $refusal;
    }

    /** A value that is let go is again what the show begins with. */
    public function letGo(Reference $reference, string $owner, int $now): string
    {
        $entry = $this->entries[$reference->id] ?? null;

        return $entry === null ? 'there is no such value' : $this->set($reference, $entry->start, new Act($owner, $owner), $now);
    }

    public function without(Reference $reference, string $owner): int|float|null
    {
        $start = $this->entries[$reference->id]->start ?? null;

        return \is_string($start) ? null : $start;
    }

    public function members(Reference $reference): array
    {
        return [$reference];
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $entry = $this->entries[$reference->id] ?? null;
        if ($entry === null || $entry->type !== 'switch') {
            return 'only a switch can be pressed: it turns over';
        }

        return $this->set($reference, (int) ! $this->now[$entry->id], $act, $now);
    }

    public function all(): iterable
    {
        foreach (array_keys($this->entries) as $id) {
            $reference = Reference::parse("value:{$id}");
            if ($reference !== null) {
                yield $reference;
            }
        }
    }

    private static function refusal(ValueEntry $entry, int|float|string $value): string
    {
        $fits = match ($entry->type) {
            'switch' => $value === 0 || $value === 1,
            'number' => ! \is_string($value) && $value >= $entry->low && $value <= $entry->high,
            'choice' => \in_array($value, $entry->choices, true),
            default => \is_string($value) && mb_strlen($value) <= 1000,
        };

        return $fits ? '' : match ($entry->type) {
            'switch' => 'it is a switch: 0 or 1',
            'number' => "it is a number from {$entry->low} to {$entry->high}",
            'choice' => 'it is one of: '.implode(', ', $entry->choices),
            default => 'it is a text of at most 1,000 characters',
        };
    }
}
