<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;

/** Something that a moment of a timeline has set or pressed. */
final readonly class Done
{
    /** What moves one and the same thing, by the kind of point. */
    private const TOGETHER = [
        'list' => ['', 'cue', 'go', 'back', 'pause', 'resume', 'stop', 'release', 'load', 'running'],
        'look' => ['', 'active', 'pressed'],
        'wave' => ['', 'restart'],
    ];

    /** Parts of a list after which it is in one cue, or in none, whatever was before. */
    private const PLACES = ['', 'cue', 'release'];

    /** @param float $at when, in the timeline's unit */
    public function __construct(public float $at, public Due $due, public SetAction|PressAction $action)
    {
    }

    /** What is moved by it: the cue list, and not its button; every other point for itself. */
    public static function subject(Reference $point): Reference
    {
        $isTogether = \in_array($point->part, self::TOGETHER[$point->kind] ?? [], true);

        return $isTogether ? Reference::parse("{$point->kind}:{$point->id}") ?? $point : $point;
    }

    /** Whether it says what is to be, and does not go on from what was there: "next" and a switch that is pressed do. */
    public function isAbsolute(): bool
    {
        $point = $this->action->point;
        if ($point->kind === 'list' && self::subject($point)->part === '') {
            $isPlace = \in_array($point->part, self::PLACES, true);

            return $isPlace
                && ($this->action instanceof PressAction ? $point->part === 'release' : is_numeric($this->action->value));
        }

        return $this->action instanceof SetAction && $point->part !== 'restart';
    }

    /** Whether it goes on by itself from then on. */
    public function goesOn(): bool
    {
        $point = $this->action->point;
        $runs = \in_array($point->kind, ['look', 'list'], true) || ($point->kind === 'wave' && $point->part === 'restart');

        return $runs || ($this->action instanceof SetAction && $this->action->goesOn());
    }

    /** Whether a look is on after it that was on before. */
    public function keepsOn(self $before): bool
    {
        return $before->isLookOn() && $this->isLookOn();
    }

    /** Whether it brings a look, or leaves it there. */
    public function isLookOn(): bool
    {
        return $this->action instanceof SetAction
            && self::subject($this->action->point)->kind === 'look'
            && (float) $this->action->value > 0.0;
    }
}
