<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Events;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Live\Troubles;
use NimbleJunction\Core\Port\State;
use NimbleJunction\Engine\Health\Warnings;

/** Looks once a second how each port is: what is lost and found is written down, and what stays in trouble becomes an alarm. */
final class PortWatch
{
    /** What its warnings are about begins so, before the port. */
    public const ALARM = 'port ';

    /** A port that comes and goes all the time is written down so often in a minute, then counted. */
    private const MOST_OF_ONE = 10;
    /** So many looks in a row a port has to be unsteady or silent. */
    private const LOOKS = 3;
    private const MINUTE_NANOS = 60_000_000_000;

    /** @var array<string, State> as it was noted last, by port */
    private array $was = [];

    /** @var array<string, array{State, int}> as it was seen last, and for how many looks, by port */
    private array $seen = [];

    private readonly Troubles $troubles;

    /** @var array<string, true> by port */
    private array $alarmed = [];

    /** @var array<string, list<int>> when something was written down of it, by port */
    private array $noted = [];

    /** @var array<string, int> by port */
    private array $leftOut = [];

    /**
     * @param int $alarmSeconds after so long in trouble there is an alarm; 0 for never
     * @param \Closure(string): void $alarm what else is done with one, in words
     */
    public function __construct(
        private readonly Junction $junction,
        private readonly EventLog $log,
        private readonly Warnings $warnings,
        private readonly int $alarmSeconds,
        private readonly \Closure $alarm,
    ) {
        $this->troubles = new Troubles();
    }

    public function look(int $now): void
    {
        $plan = $this->junction->plan();
        foreach ($plan->ports as $id => $port) {
            $id = (string) $id;
            $activity = $this->junction->activity($id);
            $state = $port['enabled'] ? $activity->state($port['protocol'], $port['receives'], $port['sends'], $now) : State::Off;
            $before = $this->was[$id] ?? State::Waiting;
            $lasts = $this->lasts($id, $state);
            if ($state !== $before && $lasts) {
                $this->was[$id] = $state;
                $this->changed($id, $plan->portName($id), $before, $state, $activity->fault, $now);
            }
            $this->alarm($id, $plan->portName($id), $state, $now);
        }
        foreach (array_diff_key($this->was, $plan->ports) as $id => $state) {
            unset($this->was[$id], $this->seen[$id], $this->noted[$id], $this->leftOut[$id]);
            $this->troubles->forget((string) $id);
            $this->calm((string) $id);
        }
    }

    /** What is over within a moment is no event: a stumble is none, a loss is one at once. */
    private function lasts(string $id, State $state): bool
    {
        [$seen, $looks] = $this->seen[$id] ?? [$state, 0];
        $this->seen[$id] = [$state, $seen === $state ? $looks + 1 : 1];

        return ! \in_array($state, [State::Unsteady, State::Silent], true) || $this->seen[$id][1] >= self::LOOKS;
    }

    private function changed(string $id, string $name, State $before, State $state, string $fault, int $now): void
    {
        $line = match (true) {
            $state === State::Fault => [EventKind::Fault, "{$name}: {$fault}"],
            $state === State::Lost => [EventKind::Lost, "{$name} is lost."],
            $state === State::Silent => [EventKind::Lost, "{$name} is silent: it was regular, and is overdue."],
            $state === State::Unsteady => [EventKind::Lost, "{$name} is unsteady."],
            $state === State::Alive && $before->isTrouble() => [EventKind::Found, "{$name} is there again."],
            $state === State::Alive && $before === State::Waiting => [EventKind::Found, "{$name} is heard for the first time."],
            default => null,
        };
        if ($line === null) {
            return;
        }
        $recent = array_values(array_filter(
            $this->noted[$id] ?? [],
            static fn(int $at): bool => $now - $at < self::MINUTE_NANOS,
        ));
        if (\count($recent) >= self::MOST_OF_ONE) {
            $this->leftOut[$id] = ($this->leftOut[$id] ?? 0) + 1;
            $this->noted[$id] = $recent;

            return;
        }
        $more = $this->leftOut[$id] ?? 0;
        unset($this->leftOut[$id]);
        $this->noted[$id] = [...$recent, $now];
        $this->log->note($line[0], $line[1].($more > 0 ? " {$more} more like this were not written down." : ''), port: $id);
    }

    private function alarm(string $id, string $name, State $state, int $now): void
    {
        $seconds = $this->troubles->seconds($id, $state, $now);
        if (! $state->isTrouble()) {
            if (isset($this->alarmed[$id])) {
                $this->log->note(EventKind::Found, "The alarm of {$name} is over.", port: $id);
            }
            $this->calm($id);

            return;
        }
        if ($this->alarmSeconds > 0 && $seconds >= $this->alarmSeconds && ! isset($this->alarmed[$id])) {
            $this->alarmed[$id] = true;
            $words = "{$name} has been in trouble for {$this->alarmSeconds} s: it is {$state->value}.";
            $this->log->note(EventKind::Alarm, $words, port: $id);
            $this->warnings->raise(self::ALARM.$id, $words);
            ($this->alarm)($words);
        }
    }

    private function calm(string $id): void
    {
        if (isset($this->alarmed[$id])) {
            $this->warnings->clear(self::ALARM.$id);
        }
        unset($this->alarmed[$id]);
    }
}
