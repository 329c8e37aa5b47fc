<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Listener;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Trace\Event as TraceEvent;
use NimbleJunction\Core\Trace\Fact;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Near;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step as Hop;
use NimbleJunction\Core\Trace\TakenBy;
use NimbleJunction\Core\Trace\Trace;

/** What happens to routes, written into the trace. */
final readonly class Chronicle
{
    public function __construct(private Trace $trace)
    {
    }

    /** A record for an event that is no message: the first route that looks at it is named. */
    public function begin(Event $event, Listener $listener, int $now): TraceEvent
    {
        $words = $event->fields()['point'] ?? $event->keys()[0];
        $values = ['event' => trim(strtr((string) $words, ['*' => ''])), 'route' => $listener->route->name];

        return $this->trace->begin(
            Kind::Message,
            "event {$event->keys()[0]}",
            '',
            new Said('{event}: "{route}" looks at it', $values),
            $now,
        );
    }

    /** What a route was to do later begins. */
    public function later(Route $route, float $value, int $now): TraceEvent
    {
        $title = new Said('"{route}" goes on with {value}', ['route' => $route->name, 'value' => Template::number($value)]);

        return $this->trace->begin(Kind::Message, "later {$route->id}", '', $title, $now);
    }

    public function pressed(Route $route, int $now): TraceEvent
    {
        return $this->trace->begin(
            Kind::Message,
            "pressed {$route->id}",
            '',
            new Said('"{route}" is pressed', ['route' => $route->name]),
            $now,
        );
    }

    public function tried(Route $route, float $value, string $by, int $now): TraceEvent
    {
        $words = 'a test: {name} runs "{route}" with {value}';
        $said = new Said($words, ['name' => $by, 'route' => $route->name, 'value' => Template::number($value)]);

        return $this->trace->begin(Kind::Message, "tried {$route->id}", '', $said, $now);
    }

    public function taken(TraceEvent $record, Route $route, Taken $taken, Passing $passing): void
    {
        $this->hop($record, Hop::Matched, $route, new TakenBy($route->name, $taken->words, $passing->way));
    }

    public function near(TraceEvent $record, Route $route, Missed $missed): void
    {
        $this->hop($record, Hop::Nearly, $route, new Near($route->name, $missed->reason, $missed->part, $missed->relax));
    }

    /** A control says what it was told a moment ago. */
    public function echoed(TraceEvent $record, Route $route): void
    {
        $words = '"{route}" leaves it: it is what its control was told a moment ago';
        $this->hop($record, Hop::Note, $route, new Said($words, ['route' => $route->name]));
    }

    public function nothingPasses(TraceEvent $record, Route $route, float $value): void
    {
        $words = '"{route}" lets nothing pass now at {value}';
        $this->hop($record, Hop::Note, $route, new Said($words, ['route' => $route->name, 'value' => Template::number($value)]));
    }

    /** It is cut: it has too much to do later, has set itself off too often, or is called too deeply. */
    public function cut(TraceEvent $record, Route $route, string $why): void
    {
        $this->hop($record, Hop::Refused, $route, new Said("cut at \"{route}\": {$why}", ['route' => $route->name]));
    }

    private function hop(TraceEvent $record, Hop $step, Route $route, Fact $fact): void
    {
        $this->trace->hop($record, $step, $fact, '', $route->id);
    }
}
