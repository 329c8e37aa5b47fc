<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Core\Patch\Role;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Universe\Universe;

/**
 * Why a fixture is dark: its level, its shutter, its colour; nobody who gives it anything; no way out; another one on its
 * address.
 */
final readonly class WhyDark
{
    /**
     * @param Universe|null $intensities what lies beside its universe
     * @param \Closure(string): string $fault what is wrong with a port right now, in words; '' for nothing
     */
    public function __construct(
        private Show $show,
        private Plan $plan,
        private Fixture $fixture,
        private Universe $universe,
        private ?Universe $intensities,
        private \Closure $fault,
    ) {
    }

    /** @return list<Reason> those that keep it dark first */
    public function reasons(): array
    {
        $reasons = [...$this->ofLevels(), ...$this->ofSources(), ...$this->ofWaysOut(), ...$this->ofNeighbours()];
        usort($reasons, static fn(Reason $a, Reason $b): int => $b->keepsDark <=> $a->keepsDark);

        return $reasons;
    }

    /** @return list<Reason> */
    private function ofLevels(): array
    {
        $reasons = $emitters = $filters = [];
        $lights = $this->intensityIsZero() ? $this->universe->merged() : $this->universe->levels;
        foreach ($this->plan->patch->footprint($this->fixture)->byKey as $placed) {
            $placement = new Placement($this->fixture, $placed);
            $parameter = $placed->parameter;
            $levels = $placed->isLight() ? $lights : $this->universeOf($placement)->levels;
            $share = $parameter->share($placement->valueIn($levels));
            match (true) {
                $parameter->role?->isEmitter() === true => $emitters[] = [$placement, $share],
                $parameter->role?->isFilter() === true => $filters[] = [$placement, $share],
                $parameter->role === Role::Shutter => $reasons[] = $this->ofShutter($placement, $parameter),
                $parameter->kind === ParameterKind::Intensity && $share <= 0.0 => $reasons[] = $this->reason(
                    true,
                    "{$placed->name} is at 0",
                    $placement,
                ),
                $parameter->kind === ParameterKind::Intensity => $reasons[] = new Reason(
                    false,
                    "{$placed->name} is at ".round(100 * $share).' %.',
                ),
                default => null,
            };
        }
        if ($emitters !== [] && self::allAt($emitters, 0.0)) {
            $reasons[] = $this->reason(true, 'Its colour is black: '.self::names($emitters).' are at 0', $emitters[0][0]);
        }
        if (\count($filters) === 3 && self::allAt($filters, 1.0)) {
            $reasons[] = $this->reason(true, 'Its colour is black: '.self::names($filters).' are full', $filters[0][0]);
        }
        if ($reasons === [] && $emitters === []) {
            $reasons[] = new Reason(
                false,
                'Its profile does not say which parameter makes it bright.',
                'Give one the role dimmer, shutter or a colour.',
                'profiles',
                $this->fixture->profileId,
            );
        }

        return array_values(array_filter($reasons));
    }

    private function ofShutter(Placement $placement, Parameter $parameter): ?Reason
    {
        $value = $placement->valueIn($this->universe->levels);
        $range = $parameter->rangeAt($value);
        $isClosed = $range === null ? $parameter->share($value) <= 0.0 : str_starts_with(mb_strtolower($range->name), 'clos');

        return $isClosed ? $this->reason(true, "{$placement->placed->name} is closed, at {$value}", $placement) : null;
    }

    private function reason(bool $keepsDark, string $words, Placement $placement): Reason
    {
        $slot = $placement->slots[0];
        $parameter = $placement->placed->parameter;
        if ($parameter->neverDriven) {
            return new Reason(
                $keepsDark,
                "{$words}, as it is never driven.",
                'Say in its profile that it may be driven.',
                'profiles',
                $this->fixture->profileId,
            );
        }
        $universe = $this->universeOf($placement);
        $isHeld = array_intersect_key($universe->wayOut()->holds(), array_flip($placement->slots)) !== [];

        return new Reason(
            $keepsDark,
            "{$words}. {$universe->explain($slot)}",
            $isHeld ? 'Release what is held there.' : '',
            'universes',
            $this->universe->id,
            $isHeld ? $placement->placed->key : '',
        );
    }

    /** Then its lights are dark whatever their colour, and their colour is what is asked for. */
    private function intensityIsZero(): bool
    {
        $intensity = $this->plan->patch->find($this->fixture->id, Intensities::KEY);

        return $intensity?->placed->isVirtual === true && $intensity->valueIn($this->universeOf($intensity)->levels) === 0;
    }

    private function universeOf(Placement $placement): Universe
    {
        return $placement->placed->isVirtual ? $this->intensities ?? $this->universe : $this->universe;
    }

    /** @return list<Reason> */
    private function ofSources(): array
    {
        $name = $this->plan->universeName($this->universe->id);
        $lost = $this->universe->kept->isFilled && $this->universe->control()->senders === [];
        if ($lost) {
            return [new Reason(
                ! $this->universe->spoken,
                "All senders of {$name} are lost: {$this->universe->rules()->whenLost->words()}.",
                'Look at the ports that feed it.',
                'universes',
                $this->universe->id,
            )];
        }
        if ($this->universe->control()->leading === [] && $this->universe->wayOut()->holds() === []) {
            return [new Reason(
                true,
                "Nobody has given {$name} any levels yet.",
                'Let a port feed it, or hold a level by hand.',
                'universes',
                $this->universe->id,
            )];
        }

        return [];
    }

    /** @return list<Reason> */
    private function ofWaysOut(): array
    {
        $name = $this->plan->universeName($this->universe->id);
        $carrying = array_filter($this->show->ports, fn(PortEntry $port): bool => $this->carries($port));
        if ($carrying === []) {
            return [new Reason(
                true,
                "No port sends {$name}.",
                'Add it to what a port carries.',
                'universes',
                $this->universe->id,
            )];
        }
        $reasons = [];
        $sending = 0;
        foreach ($carrying as $port) {
            $isOn = ($this->plan->ports[$port->id]['enabled'] ?? false) && $port->send?->enabled === true;
            $hasRoom = array_filter(
                $this->plan->exits[$this->universe->id] ?? [],
                static fn(object $exit): bool => $exit->portId === $port->id,
            ) !== [];
            $fault = ($this->fault)($port->id);
            $why = match (true) {
                ! $isOn => "{$port->name}, which sends {$name}, is switched off.",
                ! $hasRoom => "{$port->name} has no room for {$name}: it can take fewer universes than it is given.",
                $fault !== '' => "{$port->name}, which sends {$name}: {$fault}",
                default => '',
            };
            $sending += $why === '' ? 1 : 0;
            if ($why !== '') {
                $reasons[] = new Reason(
                    \count($carrying) === 1,
                    $why,
                    $isOn ? 'Look at the port.' : 'Switch it on.',
                    'ports',
                    $port->id,
                );
            }
        }
        if ($sending > 0) {
            $names = implode(', ', array_map(static fn(PortEntry $port): string => $port->name, \array_slice($carrying, 0, 4)));
            $reasons[] = new Reason(false, "{$name} is sent by {$names}.", '', 'ports', (string) array_key_first($carrying));
        }

        return $reasons;
    }

    private function carries(PortEntry $port): bool
    {
        foreach ($port->send->carries ?? [] as $link) {
            if ($link->universe === $this->universe->id) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Reason> */
    private function ofNeighbours(): array
    {
        return array_map(
            fn(Fixture $other): Reason => new Reason(
                false,
                "{$other->name} listens to some of its slots".(Patch::isMeant($this->fixture, $other) ? ', as it is meant to.' : ': what is meant for one drives the other.'),
                Patch::isMeant($this->fixture, $other) ? '' : 'Move one of them.',
                $other->profileId === '' ? 'pixels' : 'fixtures',
                $other->id,
            ),
            $this->plan->patch->sharing($this->fixture),
        );
    }

    /** @param list<array{Placement, float}> $ones */
    private static function allAt(array $ones, float $share): bool
    {
        foreach ($ones as [, $is]) {
            if ($is !== $share) {
                return false;
            }
        }

        return true;
    }

    /** @param list<array{Placement, float}> $ones */
    private static function names(array $ones): string
    {
        return implode(', ', array_map(static fn(array $one): string => $one[0]->placed->name, \array_slice($ones, 0, 4)));
    }
}
