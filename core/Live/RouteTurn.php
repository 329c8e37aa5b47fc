<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Desk\DeskMessage;
use NimbleJunction\Core\Desk\Misread;
use NimbleJunction\Core\Desk\Understood;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Terms;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Universe;

/** What the actions of one route do, for one event. */
final readonly class RouteTurn implements Turn
{
    public function __construct(
        private Runner $runner,
        private Route $route,
        private int $depth,
        private Event $record,
        private Passing $passing,
        private Trace $trace,
        private Points $points,
        private Changes $changes,
        private Universes $universes,
        private Courses $courses,
    ) {
    }

    public function set(Reference $reference, int|float|string $value, Terms $terms): void
    {
        if (! $this->runner->mayAct($this->route, $this->depth, $this->record)) {
            return;
        }
        if ($reference->kind === 'route' && $reference->part === 'run' && is_numeric($value)) {
            $this->runner->run($reference->id, (float) $value, $this->depth + 1, $this->record, $this->passing->now);

            return;
        }
        $this->courses->forget($this->route->owner, $reference);
        $universe = $reference->kind === 'slot' ? $this->universes->find($reference->id) : null;
        if ($universe !== null && is_numeric($value) && $terms->arePlain()) {
            $this->setSlot($universe, (int) $reference->part - 1, (float) $value, $terms->priority);

            return;
        }
        $act = $this->act($terms);
        $refused = $terms->arePlain() || ! is_numeric($value)
            ? $this->points->set($reference, $value, $act, $this->passing->now)
            : $this->courses->set($reference, (float) $value, $act, $terms, $this->passing->now);
        $values = ['point' => $reference->text(), 'value' => (string) $value, 'why' => $refused];
        if ($refused === '') {
            $words = $terms->fade > 0.0 ? '{point} fades to {value}' : '{point} is set to {value}';
            $this->trace->hop($this->record, Step::Changed, new Said($words, $values), '', $this->route->id);
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

    public function end(Reference $reference, Terms $terms): void
    {
        if (! $this->runner->mayAct($this->route, $this->depth, $this->record)) {
            return;
        }
        $out = $terms->ends === Terms::FADE ? $terms->out : 0.0;
        $refused = $this->courses->end($reference, $this->act($terms), $out, $this->passing->now);
        $words = match (true) {
            $refused !== '' => '{point} cannot be let go: {why}',
            $out > 0.0 => '{point} fades out',
            default => '{point} is let go',
        };
        $said = new Said($words, ['point' => $reference->text(), 'why' => $refused]);
        $this->trace->hop($this->record, $refused === '' ? Step::Changed : Step::Refused, $said, '', $this->route->id);
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
            $this->runner->run($reference->id, 1.0, $this->depth + 1, $this->record, $this->passing->now);
            $this->runner->pressed($reference);

            return;
        }
        $refused = $this->points->press($reference, new Act($this->route->owner, $this->route->title), $this->passing->now);
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

    public function mayRepeat(): bool
    {
        return $this->runner->mayAct($this->route, $this->depth, $this->record);
    }

    public function holds(array $conditions, float $value): bool
    {
        foreach ($conditions as $i => $condition) {
            if ($condition->missed($value, $this->passing->at("until {$i}")) !== null) {
                return false;
            }
        }

        return true;
    }

    public function send(string $portId, Message $message): void
    {
        if ($this->runner->mayAct($this->route, $this->depth, $this->record)) {
            $this->runner->sending->send($portId, $message, $this->route, $this->record, $this->passing->now);
        }
    }

    public function type(string $desk, string $line): void
    {
        $is = $this->runner->desk($desk);
        $read = $is?->read($line);
        if ($is !== null && $read instanceof Understood) {
            $this->send($is->port, DeskMessage::of($is, $read));

            return;
        }
        $why = $read instanceof Misread ? lcfirst($read->words()) : "there is no desk \"{$desk}\"";
        $said = new Said(
            '"{route}" does not type "{line}": {why}',
            ['route' => $this->route->name, 'line' => $line, 'why' => $why],
        );
        $this->trace->hop($this->record, Step::Refused, $said, '', $this->route->id);
    }

    private function act(Terms $terms): Act
    {
        return new Act($this->route->owner, $this->route->title, $terms->priority, $terms->isHighest);
    }

    private function setSlot(Universe $universe, int $slot, float $value, ?int $priority): void
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
