<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\TimeCode;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\TimeCode as Time;

/** Time code comes to a time: it stands there, or has run past it since it was last heard. A jump across it does not count. */
final readonly class TimecodeTrigger implements Trigger
{
    public const PATTERN = '#^([01]\d|2[0-3]):[0-5]\d:[0-5]\d[:;]([0-2]\d)$#D';
    public const RULE = 'Use hours, minutes, seconds and frames, like 01:00:00:00.';

    public function __construct(public string $port, public string $at)
    {
    }

    public static function kind(): string
    {
        return 'timecode';
    }

    public static function label(): string
    {
        return 'Time code comes to a time';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::pattern('at', 'At, like 01:00:00:00', self::PATTERN, self::RULE),
        ];
    }

    public function keys(): array
    {
        return ["{$this->port} /time-code"];
    }

    public function take(Event $event): ?Taken
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof TimeCode) {
            return null;
        }
        $now = $message->time;
        $at = $this->atRate($now->rate);
        $before = $message->isJump || $message->before?->rate !== $now->rate ? null : $message->before;
        if ($before === null) {
            return $at->toFrames() === $now->toFrames() ? new Taken(1.0, 'takes that it is there') : null;
        }
        $passed = $before->framesUntil($now);
        $wanted = $before->framesUntil($at);
        $runs = $passed <= $now->rate->counted();

        return $runs && $wanted > 0 && $wanted <= $passed ? new Taken(1.0, 'takes that it is reached') : null;
    }

    public function sample(): Event
    {
        return new Heard($this->port, new TimeCode(Protocol::Midi, $this->atRate(FrameRate::Smpte), true));
    }

    public function words(Wording $wording): string
    {
        return "time code comes to {$this->at} on {$wording->port($this->port)}";
    }

    /** A frame that a rate has not is the next one that it has. */
    private function atRate(FrameRate $rate): Time
    {
        [$hours, $minutes, $seconds, $frames] = array_map(intval(...), preg_split('/[:;]/', $this->at) ?: []);
        try {
            return Time::of($rate, $hours, $minutes, $seconds, $frames);
        } catch (OutOfRange) {
            return $frames < $rate->counted()
                ? Time::of($rate, $hours, $minutes, $seconds, 2)
                : Time::of($rate, $hours, $minutes, $seconds, $rate->counted() - 1)->plus(1);
        }
    }
}
