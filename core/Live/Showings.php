<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Back;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Trace;

/**
 * Feedback: controls are told what they drive, and never while a hand is on them. What a control sends back of what it was
 * told is no hand, and sets nothing.
 */
final class Showings implements Room
{
    /** What comes back within this time as it was told is an echo. Our own choice. */
    private const ECHO_NANOS = 300_000_000;

    /** When tell() must be called next. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, Showing> by route */
    private array $showings = [];

    /** @var array<string, list<string>> routes by the points that they show */
    private array $byPoint = [];

    /** @var array<string, true> those whose control may show something else, by route */
    private array $pending = [];

    /** @var array<string, true> those that are told again and again, by route */
    private array $repeated = [];

    /** @var array<string, string> port of its control, by route */
    private array $ports = [];

    public function __construct(private readonly Points $points, private readonly Sending $sending, private readonly Trace $trace)
    {
    }

    public function adopt(Plan $plan): void
    {
        $before = $this->showings;
        $this->showings = $this->byPoint = $this->ports = $this->pending = $this->repeated = [];
        foreach ($plan->index->routes as $id => $route) {
            $point = $route->back?->point($route);
            $port = ((array) ($route->triggers[0] ?? null))['port'] ?? null;
            if ($route->back === null || $point === null || ! \is_string($port)) {
                continue;
            }
            $known = $before[$id] ?? null;
            $this->showings[$id] = $known?->route === $route ? $known : new Showing($route);
            $this->ports[$id] = $port;
            $this->pending[$id] = true;
            $this->repeated += $route->back->every() === null ? [] : [$id => true];
            foreach ([$point, ...$route->back->besides()] as $one) {
                $this->byPoint[$one->text()][] = (string) $id;
            }
        }
        $this->dueAt = $this->pending === [] ? \PHP_INT_MAX : 0;
    }

    /** A point has another value. */
    public function changed(Reference $point): void
    {
        foreach ($this->byPoint[$point->text()] ?? [] as $id) {
            $this->pending[$id] = true;
            $this->dueAt = 0;
        }
    }

    /**
     * A control has said something.
     *
     * @return bool whether it only says what it was told a moment ago: then nothing comes of it
     */
    public function isEcho(Route $route, Message $message, int $now): bool
    {
        $showing = $this->showings[$route->id] ?? null;
        if ($showing === null) {
            return false;
        }
        $bytes = $this->sending->written($this->ports[$route->id], $message);
        $isFader = $route->back?->isWhatItSends() === true;
        $isLately = $showing->sentAt !== null
            && $now - $showing->sentAt < self::ECHO_NANOS
            && $showing->heardAt < $showing->sentAt;
        $isHalf = $isLately && self::isCoarseHalf($message, $showing->value);
        if ($isFader && ($isHalf || $showing->wasTold($bytes, $now, self::ECHO_NANOS))) {
            ++$showing->echoes;

            return true;
        }
        $showing->heardAt = $now;
        $showing->show($isFader ? $bytes : null, $isFader ? (float) $message->number(1) : null);
        $this->pending[$route->id] = true;
        $this->dueAt = 0;

        return false;
    }

    /** What a control shows is not known any more: it is told anew. */
    public function forget(string $routeId): void
    {
        if (isset($this->showings[$routeId])) {
            $this->showings[$routeId]->forget();
            $this->pending[$routeId] = true;
            $this->dueAt = 0;
        }
    }

    /**
     * Somebody has come to these ports and knows nothing yet.
     *
     * @param list<string> $portIds
     */
    public function forgetAt(array $portIds): void
    {
        foreach ($this->ports as $id => $port) {
            if (\in_array($port, $portIds, true)) {
                $this->forget((string) $id);
            }
        }
    }

    /** @return int how often the control of a route has sent back what it was told */
    public function echoes(string $routeId): int
    {
        return $this->showings[$routeId]->echoes ?? 0;
    }

    /** Controls are told what is due. */
    public function tell(Switches $switches, int $now): void
    {
        if ($this->dueAt > $now) {
            return;
        }
        $this->dueAt = \PHP_INT_MAX;
        foreach ($this->pending + $this->repeated as $id => $_) {
            $showing = $this->showings[$id];
            $again = $showing->route->back?->every();
            $againAt = $again === null || $showing->sentAt === null ? \PHP_INT_MAX : $showing->sentAt + (int) round($again * 1e9);
            if (isset($this->pending[$id]) || $againAt <= $now) {
                $this->look($showing, $againAt <= $now, $switches, $now);
                $againAt = $again === null || $showing->sentAt === null
                    ? \PHP_INT_MAX
                    : $showing->sentAt + (int) round($again * 1e9);
            }
            $this->dueAt = min($this->dueAt, $againAt);
        }
    }

    public function key(): string
    {
        return 'showings';
    }

    public function revisions(): array
    {
        return array_map(static fn(Showing $one): int => $one->changes, $this->showings);
    }

    /** @return array<string, mixed> */
    public function kept(string $part, int $now): array
    {
        return ['shown' => bin2hex($this->showings[$part]->shown ?? ''), 'value' => $this->showings[$part]->value];
    }

    public function restore(Stored $stored): void
    {
        foreach ($this->showings as $id => $showing) {
            $part = $stored->part((string) $id);
            $hex = $part->text('shown', 4000);
            $value = $part->scalar('value');
            if ($hex !== '' && ctype_xdigit($hex) && \strlen($hex) % 2 === 0) {
                $showing->show((string) hex2bin($hex), is_numeric($value) ? (float) $value : null);
            }
        }
    }

    /** Of 14 bits the coarse half comes back first, and is a value by itself until the fine one is there. */
    private static function isCoarseHalf(Message $message, ?float $told): bool
    {
        $isWide = $message instanceof Controller && $message->bits === 14 && $message->value % 128 === 0;

        return $isWide && $told !== null && intdiv($message->value, 128) === intdiv((int) $told, 128);
    }

    private function look(Showing $showing, bool $isAgain, Switches $switches, int $now): void
    {
        $route = $showing->route;
        unset($this->pending[$route->id]);
        $back = $route->back;
        if ($back === null || ! $switches->isOn($route->id, $route->enabled)) {
            return;
        }
        $this->tellBesides($showing, $back, $isAgain, $now);
        $message = $this->message($route, $back);
        if ($message === null) {
            return;
        }
        $bytes = $this->sending->written($this->ports[$route->id], $message);
        $value = (float) $message->number(1);
        $isNear = $showing->value !== null && abs($value - $showing->value) < $back->deadBand();
        if (! $isAgain && ($bytes === $showing->shown || $isNear)) {
            return;
        }
        $at = $showing->mayBeToldAt($now);
        if ($at > $now) {
            $this->pending[$route->id] = true;
            $this->dueAt = min($this->dueAt, $at);

            return;
        }
        $showing->show($bytes, $value);
        $showing->told($bytes, $now, self::ECHO_NANOS);
        $this->say($route, $message, $now);
    }

    /** What is written beside a control, and its colour: no hand is in the way of these. */
    private function tellBesides(Showing $showing, Back $back, bool $isAgain, int $now): void
    {
        $route = $showing->route;
        $value = $this->value($route, $back);
        $messages = $value === null ? [] : $back->alongside($route, $value, $isAgain ? null : $showing->told, $this->points);
        $at = $messages === [] ? $now : $showing->besidesMayBeToldAt($now);
        if ($at > $now) {
            $this->pending[$route->id] = true;
            $this->dueAt = min($this->dueAt, $at);

            return;
        }
        $showing->told = $value;
        foreach ($messages as $message) {
            $showing->toldBesides($now);
            $this->say($route, $message, $now);
        }
    }

    private function say(Route $route, Message $message, int $now): void
    {
        $said = new Said('"{route}" tells its control: {message}', ['route' => $route->name, 'message' => $message]);
        $record = $this->trace->begin(Kind::Feedback, "shows {$route->id}", $this->ports[$route->id], $said, $now);
        $this->sending->send($this->ports[$route->id], $message, $route, $record, $now);
    }

    private function message(Route $route, Back $back): ?Message
    {
        $value = $this->value($route, $back);

        return $value === null ? null : $back->message($route, $value, $this->points);
    }

    private function value(Route $route, Back $back): ?float
    {
        $point = $back->point($route);
        $value = $point === null ? null : $this->points->read($point);

        return is_numeric($value) ? (float) $value : null;
    }
}
