<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Message\Beat;
use NimbleJunction\Core\Message\Clock;
use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Message\NumberedParameter;
use NimbleJunction\Core\Message\QuarterFrame;
use NimbleJunction\Core\Message\SongPosition;
use NimbleJunction\Core\Message\TimeCode;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\ClockPosition;
use NimbleJunction\Core\Wire\Midi\ControllerAssembler;
use NimbleJunction\Core\Wire\Midi\QuarterFrames;
use NimbleJunction\Core\Wire\Midi\SystemCommon;
use NimbleJunction\Core\Wire\Midi\WideController;
use NimbleJunction\Core\Wire\TimeCode as Time;

/**
 * What several messages say together: controllers of 14 bits, numbered parameters,
 * time code in quarter frames, the beats of a clock. The state is a port's and a
 * sender's; it lives beside the plan, and through every edit that keeps the port.
 */
final class Assemblers
{
    private const TICKS_A_BEAT = 24;

    /** Senders of one port that are put together; of more, the one that came first begins anew. */
    private const MOST_SENDERS = 64;

    /** @var array<string, array<string, ControllerAssembler>> by port and sender */
    private array $controllers = [];

    /** @var array<string, array<string, QuarterFrames>> by port and sender */
    private array $quarterFrames = [];

    /** @var array<string, array<string, ClockPosition>> by port and sender */
    private array $clocks = [];

    /** @var array<string, array<string, Time>> the time that was said last, by port and sender */
    private array $times = [];

    public function adopt(Plan $plan): void
    {
        $this->times = array_intersect_key($this->times, $plan->ports);
        $this->controllers = array_intersect_key($this->controllers, $plan->ports);
        $this->quarterFrames = array_intersect_key($this->quarterFrames, $plan->ports);
        $this->clocks = array_intersect_key($this->clocks, $plan->ports);
    }

    /** A time says more with the one before it: whether it ran past another. All else stays as it is. */
    public function placed(string $portId, string $from, Message $message): Message
    {
        if (! $message instanceof TimeCode) {
            return $message;
        }
        $placed = $message->after($this->times[$portId][$from] ?? null);
        $this->times[$portId] ??= [];
        if (! isset($this->times[$portId][$from])) {
            $this->times[$portId] = self::withRoom($this->times[$portId]);
        }
        $this->times[$portId][$from] = $message->time;

        return $placed;
    }

    /** What a message says together with those before it; null where it stands for itself, or is not whole yet. */
    public function push(string $portId, string $from, Message $message): ?Message
    {
        return match (true) {
            $message instanceof Controller => $this->controller($portId, $from, $message),
            $message instanceof QuarterFrame => $this->quarterFrame($portId, $from, $message),
            $message instanceof Clock, $message instanceof SongPosition => $this->beat($portId, $from, $message),
            default => null,
        };
    }

    private function controller(string $portId, string $from, Controller $message): ?Message
    {
        if ($message->bits !== 7) {
            return null;
        }
        $assembler = $this->controllers[$portId][$from] ?? null;
        if ($assembler === null) {
            $assembler = new ControllerAssembler();
            $this->controllers[$portId] = self::withRoom($this->controllers[$portId] ?? []) + [$from => $assembler];
        }
        $wide = $assembler->push(ChannelMessage::controlChange($message->channel, $message->controller, $message->value));
        if ($wide === null) {
            return null;
        }
        if ($wide->kind === WideController::PAIR) {
            return new Controller($wide->channel, $wide->number, $wide->value, 14);
        }

        return new NumberedParameter(
            $wide->kind === WideController::REGISTERED,
            $wide->channel,
            $wide->number,
            $wide->value,
            $wide->step,
        );
    }

    private function quarterFrame(string $portId, string $from, QuarterFrame $message): ?Message
    {
        $assembler = $this->quarterFrames[$portId][$from] ?? null;
        if ($assembler === null) {
            $assembler = new QuarterFrames();
            $this->quarterFrames[$portId] = self::withRoom($this->quarterFrames[$portId] ?? []) + [$from => $assembler];
        }
        $time = $assembler->push($message->data);

        return $time === null
            ? null
            : $this->placed($portId, $from, new TimeCode(Protocol::Midi, $time->now, false, way: $time->direction));
    }

    private function beat(string $portId, string $from, Clock|SongPosition $message): ?Message
    {
        $position = $this->clocks[$portId][$from] ?? null;
        if ($position === null) {
            $position = new ClockPosition();
            $this->clocks[$portId] = self::withRoom($this->clocks[$portId] ?? []) + [$from => $position];
        }
        $position->push($message instanceof Clock ? $message->what : SystemCommon::songPosition($message->sixteenths));
        $isBeat = $message instanceof Clock
            && $message->isTick()
            && $position->running
            && $position->clocks % self::TICKS_A_BEAT === 0;

        return $isBeat ? new Beat(intdiv($position->clocks, self::TICKS_A_BEAT) + 1) : null;
    }

    /**
     * @template T of object
     *
     * @param array<string, T> $bySender
     *
     * @return array<string, T>
     */
    private static function withRoom(array $bySender): array
    {
        return \count($bySender) < self::MOST_SENDERS ? $bySender : \array_slice($bySender, 1);
    }
}
