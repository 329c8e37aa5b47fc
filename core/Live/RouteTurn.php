<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;

/** What the actions of one route do, for one event. */
final readonly class RouteTurn implements Turn
{
    public function __construct(
        private Runner $runner,
        private Route $route,
        private int $depth,
        private Event $record,
        private int $now,
        private Trace $trace,
        private Points $points,
        private Changes $changes,
        private Universes $universes,
    ) {
    }

    public function set(Reference $reference, int|float|string $value, ?int $priority): void
    {
        if (! $this->runner->mayAct($this->route, $this->depth, $this->record)) {
            return;
        }
        $universe = $reference->kind === 'slot' ? $this->universes->find($reference->id) : null;
        if ($universe !== null && is_numeric($value)) {
            $this->setSlot($universe, (int) $reference->part - 1, (float) $value, $priority);

            return;
        }
        $act = new Act($this->route->owner, $this->route->title, $priority);
        $refused = $this->points->set($reference, $value, $act, $this->now);
        $values = ['point' => $reference->text(), 'value' => (string) $value, 'why' => $refused];
        if ($refused === '') {
            $this->trace->hop($this->record, Step::Changed, new Said('{point} is set to {value}', $values), '', $this->route->id);
        } else {
            $this->trace->hop(
                $this->record,
                Step::Refused,
                new Said('{point} cannot be set to {value}: {why}', $values),
                '',
                $this->route->id,
            );
        }
    }

    public function press(Reference $reference): void
    {
        if (! $this->runner->mayAct($this->route, $this->depth, $this->record)) {
            return;
        }
        if ($reference->kind === 'route' && $reference->part === '') {
            $this->trace->hop(
                $this->record,
                Step::Note,
                new Said('{point} is pressed', ['point' => $reference->text()]),
                '',
                $this->route->id,
            );
            $this->runner->run($reference->id, 1.0, $this->depth + 1, $this->record, $this->now);

            return;
        }
        $refused = $this->points->press($reference, new Act($this->route->owner, $this->route->title), $this->now);
        $words = $refused === '' ? '{point} is pressed' : '{point} cannot be pressed: {why}';
        $this->trace->hop(
            $this->record,
            $refused === '' ? Step::Changed : Step::Refused,
            new Said($words, ['point' => $reference->text(), 'why' => $refused]),
            '',
            $this->route->id,
        );
    }

    public function stop(Reference $route): void
    {
        if ($this->runner->mayAct($this->route, $this->depth, $this->record)) {
            $this->runner->stop($route->id);
            $said = new Said('what {point} was to do later is stopped', ['point' => $route->text()]);
            $this->trace->hop($this->record, Step::Changed, $said, '', $this->route->id);
        }
    }

    public function send(string $portId, Message $message): void
    {
        if ($this->runner->mayAct($this->route, $this->depth, $this->record)) {
            $this->runner->send($portId, $message, $this->route, $this->record, $this->now);
        }
    }

    private function setSlot(\NimbleJunction\Core\Universe\Universe $universe, int $slot, float $value, ?int $priority): void
    {
        $refusal = $this->universes->refusal($universe, $slot);
        if ($refusal !== '') {
            $this->trace->hop(
                $this->record,
                Step::Refused,
                new Said('"{route}" cannot set its slot: {why}', ['route' => $this->route->name, 'why' => $refusal]),
                '',
                $this->route->id,
            );

            return;
        }
        $level = (int) floor(max(0.0, min(255.0, $value)) + 0.5);
        $this->changes->ask($universe, $this->route, $slot, $level, $priority, $this->record);
    }
}
