<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Back\ValueBack;
use NimbleJunction\Core\Route\Condition\LeastCondition;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Trigger\ControllerTrigger;
use NimbleJunction\Core\Route\Trigger\NoteOnTrigger;
use NimbleJunction\Core\Route\Trigger\OscTrigger;

/** How each function of an offer is reached: by its slots, by an OSC address, by a MIDI message. */
final readonly class Ways
{
    private const HIGHEST_NUMBER = 127;

    /** MIDI 1.0, "Control Change": 0 to 31 have their finer part 32 above (from memory). */
    private const HIGHEST_WIDE = 31;
    private const FINER = 32;

    /** An argument of OSC that is no 0. */
    private const SMALLEST = 1e-9;

    /** @var list<Way> in the order of the table */
    public array $all;

    public function __construct(private Offer $offer)
    {
        $all = [];
        $number = $offer->number;
        foreach ($offer->parameters as $place => $parameter) {
            foreach ($parameter->functions as $nth => $function) {
                $isWide = $parameter->width === 2 && ! $function->isPressed() && ! $function instanceof NumberFunction;
                $all[] = new Way(
                    $parameter,
                    $function,
                    $place,
                    $nth,
                    $offer->beginning()."/{$parameter->id}".self::part($parameter, $function, $nth),
                    $number,
                    $isWide && $number <= self::HIGHEST_WIDE ? 14 : 7,
                );
                ++$number;
            }
        }
        $this->all = $all;
    }

    /** @return list<Route> with ids that no route of a show can have: their parts are parted by dots */
    public function routes(): array
    {
        $routes = [];
        foreach ($this->all as $way) {
            $id = "offer.{$this->offer->id}.{$way->parameter->id}.{$way->nth}";
            $name = "{$this->offer->name}, {$way->parameter->name}";
            $point = $this->offer->universe === '' ? null : Reference::parse("offer:{$this->offer->id}/{$way->parameter->id}");
            if ($point !== null) {
                $trigger = new OfferedTrigger(
                    $point,
                    $way->function->first(),
                    $way->function->last($way->parameter->highest),
                    $way->function->isPressed(),
                );
                $routes[] = $this->route(
                    "{$id}.slots",
                    $name,
                    $trigger,
                    $way,
                    $way->function->fromSlots($way->parameter->highest),
                );
            }
            if ($this->offer->oscPort !== '') {
                $trigger = new OscTrigger($this->offer->oscPort, $way->address);
                $routes[] = $this->route("{$id}.osc", $name, $trigger, $way, $way->function->fromOsc());
            }
            if ($this->offer->midiPort !== '' && $way->number <= self::HIGHEST_NUMBER) {
                $routes[] = $this->route(
                    "{$id}.midi",
                    $name,
                    $this->midi($way),
                    $way,
                    $way->function->fromController($way->highestOfController()),
                );
            }
        }

        return $routes;
    }

    /**
     * @return list<array{int, int, string, string}> places of parameter and function, what is wrong with their numbers in
     * MIDI, and what is allowed
     */
    public function problems(): array
    {
        $problems = [];
        $finer = [];
        foreach ($this->all as $way) {
            if ($way->bits === 14) {
                $finer[$way->number + self::FINER] = $way;
            }
        }
        foreach ($this->all as $way) {
            $other = $way->isNote() ? null : $finer[$way->number] ?? null;
            if ($way->number > self::HIGHEST_NUMBER) {
                $problems[] = [
                    $way->place,
                    $way->nth,
                    "it would have number {$way->number} in MIDI",
                    'Numbers end at 127: begin lower, or make two offers on two channels.',
                ];
            } elseif ($other !== null) {
                $problems[] = [
                    $way->place,
                    $way->nth,
                    "it would have controller {$way->number}, where the finer part of \"{$other->parameter->name}\" comes",
                    'Begin with another number, or make that one 8 bits.',
                ];
            }
        }

        return $problems;
    }

    private function midi(Way $way): Trigger
    {
        return $way->isNote()
            ? new NoteOnTrigger($this->offer->midiPort, $this->offer->channel, $way->number)
            : new ControllerTrigger($this->offer->midiPort, $this->offer->channel, $way->number, $way->bits);
    }

    /** @param list<Step> $steps */
    private function route(string $id, string $name, Trigger $trigger, Way $way, array $steps): Route
    {
        $isToBeAnything = $trigger instanceof OscTrigger && $way->function->isPressed();
        $isTold = $this->offer->tells && $way->function instanceof LevelFunction && ! $trigger instanceof OfferedTrigger;

        return new Route(
            $id,
            $name,
            $this->offer->enabled,
            [$trigger],
            $isToBeAnything ? [new LeastCondition(self::SMALLEST)] : [],
            $steps,
            $way->function->actions(),
            $isTold ? new ValueBack() : null,
        );
    }

    /** @return string what an address has behind the parameter's id; '' where that has one function alone */
    private static function part(OfferedParameter $parameter, OfferedFunction $function, int $nth): string
    {
        $name = Route::folderId($function->name());

        return \count($parameter->functions) === 1 ? '' : '/'.($name === '' ? (string) ($nth + 1) : $name);
    }
}
