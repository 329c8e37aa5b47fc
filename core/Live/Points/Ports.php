<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Activities;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\State;
use NimbleJunction\Core\Show\PointNames;

/** Ports: whether they are alive, steady and switched on, and how much comes in. They are read only; a port is switched by an edit of the show. */
final class Ports extends PlanRoom
{
    /** When it was last asked how things are: a port is alive or not at some time. */
    private int $now = 0;

    public function __construct(private readonly Activities $activities)
    {
        parent::__construct();
    }

    public function passes(int $now): void
    {
        $this->now = $now;
    }

    public function kinds(): array
    {
        return ['port'];
    }

    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        if (! isset($this->plan->ports[$reference->id]) || ! \in_array($reference->part, PointNames::PORT_PARTS, true)) {
            return null;
        }
        $name = "{$this->plan->portName($reference->id)}, {$reference->part}";

        return match ($reference->part) {
            'alive' => new Point($reference, $name, PointKind::State, choices: array_column(State::cases(), 'value')),
            'rate' => new Point($reference, $name, PointKind::Number, 0.0, 100_000.0, 'packets a second'),
            default => new Point($reference, $name, PointKind::Switch),
        };
    }

    public function read(Reference $reference): int|float|string|null
    {
        $port = $this->plan->ports[$reference->id] ?? null;
        if ($port === null) {
            return null;
        }
        $activity = $this->activities->of($reference->id);

        return match ($reference->part) {
            'alive' => $port['enabled'] ? $activity->state($port['protocol'], $port['receives'], $port['sends'], $this->now)->value : State::Off->value,
            'steady' => (int) ! $activity->isUnsteady($this->now),
            'rate' => $activity->rate($this->now, true),
            'enabled' => (int) $port['enabled'],
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        return 'a port is switched on and off by an edit of the show';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'a port cannot be pressed';
    }

    public function all(): iterable
    {
        foreach (array_keys($this->plan->ports) as $id) {
            foreach (PointNames::PORT_PARTS as $part) {
                $reference = Reference::parse("port:{$id}/{$part}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }
}
