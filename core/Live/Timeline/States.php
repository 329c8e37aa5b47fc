<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Timeline\Done;

/** Of what a timeline sets and presses something stays: that is as it would be after a jump; all else is not done again. */
final readonly class States
{
    /** What moves time itself is not moved by a jump. */
    private const TIME = ['timeline', 'timecode', 'tape'];

    /** What is pressed and then stays, though it is no switch: a list is in another cue, a look is on, a wave has begun. */
    private const PRESSED = ['list', 'look', 'wave'];

    public function __construct(private Points $points)
    {
    }

    public function stays(SetAction|PressAction $action): bool
    {
        return $action instanceof SetAction ? $this->isSet($action->point) : $this->isPressed($action->point);
    }

    public function isSet(Reference $point): bool
    {
        return ! \in_array($point->kind, self::TIME, true)
            && ($this->isMoved($point) || $this->points->describe($point)?->kind !== PointKind::Press);
    }

    private function isPressed(Reference $point): bool
    {
        return ! \in_array($point->kind, self::TIME, true)
            && ($this->isMoved($point) || $this->points->describe($point)?->kind === PointKind::Switch);
    }

    private function isMoved(Reference $point): bool
    {
        return \in_array($point->kind, self::PRESSED, true) && Done::subject($point)->part === '';
    }
}
