<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Desk\Misread;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\LineAction;
use NimbleJunction\Core\Route\Action\SendAction;
use NimbleJunction\Core\Route\NamesPoints;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Trigger;

/** Whether what a route names is there: found by the description of each of its parts, whatever their kinds. */
final readonly class RouteReferences
{
    public function __construct(private Show $show)
    {
    }

    /** @return list<Fault> */
    public function faults(Route $route, string $path): array
    {
        $faults = [];
        $lists = ['when' => $route->triggers, 'if' => $route->conditions, 'steps' => $route->steps, 'do' => $route->actions];
        foreach ($lists as $name => $parts) {
            foreach ($parts as $i => $part) {
                $isAlone = $name === 'when' && \count($parts) === 1;
                array_push($faults, ...$this->ofPart($part, $isAlone ? "{$path}/{$name}" : "{$path}/{$name}/{$i}"));
            }
        }

        if ($route->back !== null) {
            array_push($faults, ...$this->ofPart($route->back, "{$path}/back"), ...$this->ofBack($route, "{$path}/back"));
        }

        return $faults;
    }

    /** @return list<Fault> a control that is told something is at a port that sends */
    private function ofBack(Route $route, string $path): array
    {
        $trigger = $route->triggers[0] ?? null;
        $id = ((array) $trigger)['port'] ?? null;
        $port = \is_string($id) ? $this->show->ports[$id] ?? null : null;

        return $port === null || $port->send !== null
            ? []
            : [new Fault($path, "\"{$port->name}\" does not send", 'Give the port that side first, or leave the feedback out.')];
    }

    /** @return list<Fault> of a trigger, a step, an action or whatever is held by one */
    public function ofPart(Kind $part, string $path): array
    {
        $faults = [];
        if ($part instanceof NamesPoints) {
            foreach ($part->points() as $point) {
                array_push($faults, ...$this->ofPoint($point, "{$path}/{$part->field()}"));
            }
        }
        if ($part instanceof LineAction) {
            array_push($faults, ...$this->ofLine($part, $path));
        }
        foreach ($part::fields() as $field) {
            $value = ((array) $part)[$field->name] ?? null;
            if ($field->type() === 'port' && \is_string($value)) {
                array_push($faults, ...$this->ofPort($part, $value, "{$path}/{$field->name}"));
            } elseif ($field->type() === 'universe' && \is_string($value) && ! isset($this->show->universes[$value])) {
                $known = implode(', ', \array_slice(array_keys($this->show->universes), 0, 12)) ?: 'none yet';
                $faults[] = new Fault("{$path}/{$field->name}", "there is no universe \"{$value}\"", "Universes are: {$known}.");
            } elseif ($value instanceof Reference) {
                array_push($faults, ...$this->ofPoint($value, "{$path}/{$field->name}"));
            } elseif ($value instanceof Kind) {
                array_push($faults, ...$this->ofPart($value, "{$path}/{$field->name}"));
            } elseif ($field->type() === 'parts' && \is_array($value)) {
                foreach (array_values($value) as $i => $one) {
                    array_push($faults, ...($one instanceof Kind ? $this->ofPart($one, "{$path}/{$field->name}/{$i}") : []));
                }
            }
        }

        return $faults;
    }

    /** @return list<Fault> of a line that is known now; one with gaps is looked at when it is typed */
    private function ofLine(LineAction $action, string $path): array
    {
        $desk = $this->show->desks[$action->desk] ?? null;
        if ($desk === null) {
            $known = implode(', ', \array_slice(array_keys($this->show->desks), 0, 12)) ?: 'none yet';

            return [new Fault("{$path}/desk", "there is no desk \"{$action->desk}\"", "Desks are: {$known}.")];
        }
        $read = $action->isPlain() ? $desk->read($action->line) : null;

        return $read instanceof Misread
            ? [new Fault("{$path}/line", "{$desk->name} does not take it: ".lcfirst($read->problem), $read->words())]
            : [];
    }

    /** @return list<Fault> */
    private function ofPort(Kind $part, string $id, string $path): array
    {
        $port = $this->show->ports[$id] ?? null;
        if ($port === null) {
            $known = implode(', ', \array_slice(array_keys($this->show->ports), 0, 12)) ?: 'none yet';

            return [new Fault($path, "there is no port \"{$id}\"", "Ports are: {$known}.")];
        }
        if ($part instanceof Trigger && $port->receive === null) {
            return [new Fault($path, "\"{$port->name}\" does not receive", 'Give the port that side first.')];
        }
        if (! $part instanceof SendAction) {
            return [];
        }
        $protocol = $part->message::protocol();
        if ($port->send === null) {
            return [new Fault($path, "\"{$port->name}\" does not send", 'Give the port that side first.')];
        }

        return $port->protocol === $protocol
            ? []
            : [new Fault(
                $path,
                "\"{$port->name}\" is {$port->protocol->spelled()}, the message is {$protocol->spelled()}",
                "Name a port that speaks {$protocol->spelled()}.",
            )];
    }

    /** @return list<Fault> */
    private function ofPoint(Reference $reference, string $path): array
    {
        $isThere = PointNames::isThere($this->show, $reference);

        return $isThere ? [] : [new Fault($path, "there is no point \"{$reference->text()}\"", Reference::RULE)];
    }
}
