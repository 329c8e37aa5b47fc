<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Patch\Lighting;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Universe\Universe;

/** "Light it": a fixture is held so that it is seen, and let go to be exactly as it was, what was held before included. */
final class Lit extends PlanRoom
{
    /** As long as a hold usually lasts. */
    private const HOLD_NANOS = 300_000_000_000;

    /** @param \Closure(): Changes $changes */
    public function __construct(private readonly Universes $universes, private readonly \Closure $changes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['light'];
    }

    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        $fixture = $this->fixture($reference);

        return $fixture === null ? null : new Point(
            $reference,
            "Light {$fixture->name}",
            PointKind::Switch,
            isSet: true,
            isPressed: true,
        );
    }

    public function read(Reference $reference): ?int
    {
        $fixture = $this->fixture($reference);
        $universe = $fixture === null ? null : $this->universes->find($fixture->universeId);

        return $universe === null ? null : (int) ($universe->wayOut()->lighting($reference->id) !== []);
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $fixture = $this->fixture($reference);
        $universe = $fixture === null ? null : $this->universes->find($fixture->universeId);
        if ($fixture === null || $universe === null || ! is_numeric($value)) {
            return 'a fixture is lit with 1, and let go with 0';
        }
        if (Lighting::values($this->plan->patch->footprint($fixture)) === []) {
            return "the profile of {$fixture->name} does not say what makes it seen: give a parameter the role dimmer, shutter or a colour";
        }
        foreach ($this->universesOf($fixture) as $one) {
            $before = $one->levels;
            (float) $value > 0 ? $this->light($one, $fixture, $act->name, $now) : Spotlight::letGo($one, $reference->id, $now);
            ($this->changes)()->note($one, $before, null);
        }
        ($this->changes)()->lookSoon();

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return $this->set($reference, 1 - ($this->read($reference) ?? 0), $act, $now);
    }

    public function all(): iterable
    {
        foreach (array_keys($this->plan->patch->fixtures) as $id) {
            $reference = Reference::parse("light:{$id}");
            if ($reference !== null) {
                yield $reference;
            }
        }
    }

    private function fixture(Reference $reference): ?Fixture
    {
        return $reference->part === '' ? $this->plan->patch->fixtures[$reference->id] ?? null : null;
    }

    /** @return list<Universe> its own, and what lies beside it */
    private function universesOf(Fixture $fixture): array
    {
        $ids = [$fixture->universeId, Intensities::beside($fixture->universeId)];

        return array_values(array_filter(array_map($this->universes->find(...), $ids)));
    }

    private function light(Universe $universe, Fixture $fixture, string $by, int $now): void
    {
        $levels = [];
        foreach (Lighting::values($this->plan->patch->footprint($fixture)) as $key => $value) {
            $placement = $this->plan->patch->find($fixture->id, (string) $key);
            $levels += $placement?->universeId === $universe->id ? $placement->levels($value) : [];
        }
        Spotlight::light($universe, $levels, $fixture->id, $by, $now + self::HOLD_NANOS);
        $this->universes->dueAt = min($this->universes->dueAt, $now + self::HOLD_NANOS);
    }
}
