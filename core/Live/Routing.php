<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Route\Addressed;
use NimbleJunction\Core\Route\Feedback;
use NimbleJunction\Core\Route\SlotToMessage;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Overruled;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\SlotSet;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Universe;

/** Messages to slots, and slots back to messages. */
final class Routing implements Room
{
    /** When the next message to the other end of a route is due. */
    public int $dueAt = \PHP_INT_MAX;

    private Plan $plan;

    /** @var array<string, Feedback> by route */
    private array $feedback = [];

    /** @var array<string, array<string, list<Feedback>>> by port and address */
    private array $byAddress = [];

    /** @var array<string, Feedback> those whose other end shows something else, by route */
    private array $pending = [];

    public readonly Firings $firings;
    public readonly Switches $switches;

    public function __construct(private readonly Trace $trace)
    {
        $this->firings = new Firings();
        $this->switches = new Switches('switched');
        $this->plan = Plan::empty();
    }

    public function adopt(Plan $plan): void
    {
        $old = $this->feedback;
        $this->plan = $plan;
        $routes = $plan->origin?->routesOn() ?? [];
        $this->switches->adopt($routes);
        $this->firings->keep($routes);
        $this->feedback = $this->byAddress = $this->pending = [];
        foreach ($plan->slotRoutes as $slots) {
            foreach ($slots as $routes) {
                foreach ($routes as $route) {
                    $feedback = isset($old[$route->id]) ? $old[$route->id]->carryOver($route) : new Feedback($route);
                    $this->feedback[$route->id] = $feedback;
                    $this->byAddress[$route->portId][$route->address][] = $feedback;
                    $this->pending[$route->id] = $feedback;
                }
            }
        }
        $this->dueAt = $this->pending === [] ? \PHP_INT_MAX : 0;
    }

    /**
     * A message from another end says what that shows now.
     *
     * @return bool whether it is one that a slot is told to
     */
    public function shown(string $portId, Message $message, int $now): bool
    {
        $isShown = false;
        foreach (Addressed::among($this->byAddress[$portId] ?? [], $message) as $feedback) {
            $level = $feedback->route->understood($message);
            if ($level !== null) {
                $feedback->heard($level, $now);
                $this->look($feedback);
                $isShown = true;
            }
        }

        return $isShown;
    }

    /** What came of a slot that a route has set. */
    public function tellResult(Result $result): void
    {
        $old = \ord($result->before[$result->slot]);
        $new = \ord($result->universe->levels[$result->slot]);
        if ($new !== $result->level) {
            $this->trace->hop(
                $result->event,
                Step::Unchanged,
                new Overruled($result->universe->id, $result->slot, $result->level, $new),
                '',
                $result->route->id,
            );

            return;
        }
        $fact = new SlotSet($result->universe->id, $result->slot, $old, $new);
        $this->trace->hop($result->event, $old === $new ? Step::Unchanged : Step::Changed, $fact, '', $result->route->id);
    }

    /** A universe has other levels than before: the routes of the slots that moved are looked at. */
    public function changed(Universe $universe, string $before): void
    {
        $slots = $this->plan->slotRoutes[$universe->id] ?? [];
        if ($slots === []) {
            return;
        }
        $difference = $universe->levels ^ $before;
        $length = \strlen($difference);
        for ($slot = strspn($difference, "\0"); $slot < $length; $slot += 1 + strspn($difference, "\0", $slot + 1)) {
            foreach ($slots[$slot] ?? [] as $route) {
                $this->look($this->feedback[$route->id]);
            }
        }
    }

    /**
     * Sends what is due to the other ends.
     *
     * @param array<string, Universe> $universes
     * @param array<string, Activity> $activities
     *
     * @return list<OutgoingPacket>
     */
    public function send(array $universes, array $activities, int $now): array
    {
        $packets = [];
        $this->dueAt = \PHP_INT_MAX;
        foreach ($this->pending as $id => $feedback) {
            $universe = $universes[$feedback->route->universeId] ?? null;
            $level = $universe !== null && $universe->spoken ? \ord($universe->levels[$feedback->route->slot]) : null;
            $due = $level === null ? null : $feedback->dueAt($level, $now);
            if ($level === null || $due === null || ! $this->switches->isOn($feedback->route->id, $feedback->route->enabled)) {
                unset($this->pending[$id]);
            } elseif ($due > $now) {
                $this->dueAt = min($this->dueAt, $due);
            } else {
                unset($this->pending[$id]);
                $feedback->sent($level, $now);
                array_push($packets, ...$this->tell($feedback->route, $level, $activities, $now));
            }
        }

        return $packets;
    }

    /** A route has been switched on, or is to tell once more what it told: what its other end shows is not known any more. */
    public function tellAnew(string $routeId): void
    {
        $this->feedback[$routeId]->forget();
        $this->look($this->feedback[$routeId]);
    }

    /** @return array<string, Feedback> routes that tell a slot to another end, by id */
    public function tellers(): array
    {
        return $this->feedback;
    }

    /**
     * Somebody has come to these ports and knows nothing yet: all that they show is told anew.
     *
     * @param list<string> $portIds
     */
    public function forgetShown(array $portIds): void
    {
        foreach ($this->feedback as $feedback) {
            if (\in_array($feedback->route->portId, $portIds, true)) {
                $feedback->forget();
                $this->look($feedback);
            }
        }
    }

    public function key(): string
    {
        return 'feedback';
    }

    public function revisions(): array
    {
        return array_map(static fn(Feedback $feedback): int => $feedback->changes, $this->feedback);
    }

    public function kept(string $part, int $now): array
    {
        return $this->feedback[$part]->kept();
    }

    /** @param array<string, Stored> $stored by route */
    public function restore(array $stored): void
    {
        foreach (array_intersect_key($stored, $this->feedback) as $id => $part) {
            $this->feedback[$id]->restore($part);
        }
    }

    private function look(Feedback $feedback): void
    {
        $this->pending[$feedback->route->id] = $feedback;
        $this->dueAt = 0;
    }

    /**
     * @param array<string, Activity> $activities
     *
     * @return list<OutgoingPacket>
     */
    private function tell(SlotToMessage $route, int $level, array $activities, int $now): array
    {
        $exit = $this->plan->messageExits[$route->portId] ?? null;
        $message = $route->message($level);
        $bytes = $exit?->writer->write($message) ?? '';
        $values = [
            'universe' => $route->universeId,
            'slot' => $route->slot + 1,
            'level' => $level,
            'port' => $route->portId,
            'message' => $message,
            'route' => $route->name,
        ];
        $event = $this->trace->begin(
            Kind::Feedback,
            "feedback {$route->id}",
            $route->portId,
            new Said('{universe} slot {slot} is {level}: {port} is told', $values),
            $now,
        );
        $this->trace->hop($event, Step::Changed, new Said('slot {slot} of {universe} is {level}', $values));
        $this->trace->hop($event, Step::Matched, new Said('"{route}" makes it {message}', $values), '', $route->id);
        $packets = [];
        $activity = $activities[$route->portId] ?? null;
        foreach ($exit?->destinations($activity->messageFrom ?? '') ?? [] as $destination) {
            $packets[] = new OutgoingPacket($destination->via, $destination->address, $destination->port, $bytes, $route->portId);
            $activity?->said($now);
            $this->trace->hop(
                $event,
                Step::Sent,
                new Said('{port} sent {message} to {to}', ['to' => $destination->spelled()] + $values),
                $bytes,
                $route->id,
                $destination->spelled(),
            );
        }
        if ($packets !== []) {
            $this->firings->add($route->id, $now);
        } else {
            $this->trace->hop(
                $event,
                Step::Refused,
                new Said('{port} does not send: switched off, or no address to send to', $values),
            );
        }

        return $packets;
    }
}
