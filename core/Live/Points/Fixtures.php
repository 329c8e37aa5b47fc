<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;

/** Parameters of fixtures, in per cent at their full width: what is asked for, or, with "/leaves", what leaves. */
final class Fixtures extends PlanRoom
{
    private const LEAVES = '/leaves';
    /** @param \Closure(): Changes $changes */
    public function __construct(private readonly Universes $universes, private readonly \Closure $changes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['fixture'];
    }

    public function notice(): Notice
    {
        return Notice::Levels;
    }

    public function describe(Reference $reference): ?Point
    {
        $fixture = $this->plan->patch->fixtures[$reference->id] ?? null;
        [, $slots] = $this->slots($reference);
        if ($fixture === null || $slots === []) {
            return null;
        }

        return new Point($reference, "{$fixture->name}, {$reference->part}", PointKind::Level, 0.0, 100.0, '%', isSet: ! str_ends_with($reference->part, self::LEAVES));
    }

    public function slots(Reference $reference): array
    {
        $part = str_ends_with($reference->part, self::LEAVES)
            ? substr($reference->part, 0, -\strlen(self::LEAVES))
            : $reference->part;
        $slots = $this->plan->patch->slots($reference->id, $part, 0.0);

        return $slots === null ? ['', []] : [
            $slots['universe'],
            array_map(static fn(int $slot): int => $slot - 1, array_keys($slots['levels'])),
        ];
    }

    public function read(Reference $reference): int|float|null
    {
        [$universeId, $slots] = $this->slots($reference);
        $universe = $this->universes->find($universeId);
        if ($slots === [] || $universe === null) {
            return null;
        }
        $levels = str_ends_with($reference->part, self::LEAVES) ? $universe->levels : $universe->merged();
        $value = 0;
        foreach ($slots as $slot) {
            $value = $value << 8 | \ord($levels[$slot]);
        }

        return 100 * $value / (256 ** \count($slots) - 1);
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $set = is_numeric($value) ? $this->plan->patch->slots($reference->id, $reference->part, (float) $value / 100) : null;
        $universe = $set === null ? null : $this->universes->find($set['universe']);
        if ($set === null || $universe === null) {
            return is_numeric($value) ? 'there is no such parameter' : 'a parameter has a value from 0 to 100';
        }
        $levels = [];
        foreach ($set['levels'] as $slot => $level) {
            $levels[$slot - 1] = $level;
        }
        $universe->layers()->set($act->owner, $act->name, $levels, $act->priority);
        ($this->changes)()->touch($universe);

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'a parameter cannot be pressed';
    }

    public function all(): iterable
    {
        foreach ($this->plan->patch->fixtures as $fixture) {
            foreach (array_keys($this->plan->patch->profiles[$fixture->profileId]->places()) as $name) {
                $reference = Reference::parse("fixture:{$fixture->id}/{$name}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }
}
