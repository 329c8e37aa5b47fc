<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timetable;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Timetable\Timetable;

/** The timetable as points: what comes next, and when; each occasion, pressed to let it happen now, or switched off. */
final class TimetablePoints extends PlanRoom
{
    private const LONGEST = 63_072_000.0;

    public function __construct(private readonly LiveTimetable $live)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['occasion', 'timetable'];
    }

    /** How long it is until something comes changes with time. */
    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        if (! $this->plan->timetable->has($reference)) {
            return null;
        }
        $name = ucfirst($this->plan->timetable->said($reference));

        return match (true) {
            $reference->part === 'enabled' => new Point($reference, $name, PointKind::Switch, isSet: true, isPressed: true),
            $reference->part === 'in' => new Point($reference, $name, PointKind::Number, 0.0, self::LONGEST, 's'),
            $reference->part === 'at' || $reference->kind === 'timetable' => new Point($reference, $name, PointKind::Text),
            default => new Point($reference, $name, PointKind::Press, isPressed: true),
        };
    }

    public function read(Reference $reference): int|string|null
    {
        $id = $reference->kind === 'timetable' ? $this->live->first() : $reference->id;
        $at = $this->live->nextOf($id);

        return match (true) {
            $reference->part === 'enabled' => (int) $this->live->isOn($id),
            $reference->part === 'in' => $at === null ? null : max(0, $at - $this->live->lookedAt()),
            $reference->part === 'at' => $at === null
                ? ''
                : (new \DateTimeImmutable("@{$at}"))->setTimezone($this->live->zone())->format('Y-m-d H:i:s'),
            $reference->kind === 'timetable' => $this->plan->timetable->occasions[$id]->name ?? '',
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        return match (true) {
            $reference->part === 'enabled' => is_numeric($value)
                ? $this->live->turn($reference->id, (float) $value > 0.0, $now)
                : 'it is 1 or 0',
            $reference->part !== '' || $reference->kind === 'timetable' => 'it says when something comes, and cannot be set',
            default => (float) $value > 0.0 ? $this->press($reference, $act, $now) : '',
        };
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return match (true) {
            $reference->part === 'enabled' => $this->live->turn($reference->id, ! $this->live->isOn($reference->id), $now),
            $reference->part !== '' || $reference->kind === 'timetable' => 'it says when something comes, and cannot be pressed',
            default => $this->live->press($reference->id),
        };
    }

    public function all(): iterable
    {
        foreach ([
            ...array_map(
                static fn(int|string $id): array => ["occasion:{$id}", Timetable::PARTS],
                array_keys($this->plan->timetable->occasions),
            ),
            ['timetable:'.Timetable::NEXT, Timetable::NEXT_PARTS],
        ] as [$point, $parts]) {
            foreach ($parts as $part) {
                $reference = Reference::parse($part === '' ? $point : "{$point}/{$part}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }
}
