<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Activities;
use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Switches;
use NimbleJunction\Core\Live\Troubles;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\State;
use NimbleJunction\Core\Show\PointNames;
use NimbleJunction\Core\State\Stored;

/**
 * Ports: whether they are alive, steady and switched on, and how much comes in. A port that is switched on or off
 * here is so from the end of the turn on, until the show says otherwise.
 */
final class Ports extends PlanRoom
{
    /** When it was last asked how things are: a port is alive or not at some time. */
    private int $now = 0;

    public readonly Switches $switches;
    private readonly Troubles $troubles;

    /** Ports have been switched since the plan in force was made. */
    private bool $isStale = false;

    /** @param \Closure(): Changes $changes */
    public function __construct(private readonly Activities $activities, private readonly \Closure $changes)
    {
        parent::__construct();
        $this->switches = new Switches('switchedPorts');
        $this->troubles = new Troubles();
    }

    /** The plan as it is with the ports that have been switched by hand; what the show says anew is no longer switched. */
    public function asSwitched(Plan $plan): Plan
    {
        $this->switches->adopt($plan->origin?->portsOn() ?? []);
        $switched = $this->switches->all();

        return $switched === [] ? $plan : $plan->origin?->switched($switched) ?? $plan;
    }

    /** @return Plan|null another plan that has to be taken on; null for none */
    public function otherPlan(): ?Plan
    {
        if (! $this->isStale) {
            return null;
        }
        $this->isStale = false;

        return $this->plan->origin?->switched($this->switches->all());
    }

    public function restore(Stored $stored): void
    {
        $this->switches->restore($stored);
        $this->isStale = $this->switches->all() !== [];
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
            'troubled' => new Point($reference, $name, PointKind::Number, 0.0, 86_400.0, 'seconds'),
            'rate' => new Point($reference, $name, PointKind::Number, 0.0, 100_000.0, 'packets a second'),
            'enabled' => new Point($reference, $name, PointKind::Switch, isSet: true),
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

        $state = $port['enabled']
            ? $activity->state($port['protocol'], $port['receives'], $port['sends'], $this->now)
            : State::Off;

        return match ($reference->part) {
            'alive' => $state->value,
            'troubled' => $this->troubles->seconds($reference->id, $state, $this->now),
            'steady' => (int) ! $activity->isUnsteady($this->now),
            'rate' => $activity->rate($this->now, true),
            'enabled' => (int) $port['enabled'],
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $port = $this->plan->ports[$reference->id] ?? null;
        if ($port === null || $reference->part !== 'enabled' || ! is_numeric($value)) {
            return 'of a port only "enabled" can be set, to 0 or 1';
        }
        $this->switches->turn($reference->id, (float) $value > 0);
        $this->isStale = true;
        ($this->changes)()->lookSoon();

        return '';
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
