<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Sending;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Timeline\TimecodeEntry;

/** One time code as it leaves: to each port as its protocol says a time. */
final class TimecodeOut implements TimecodeForm
{
    /** @var list<TimecodeForm> */
    private array $forms = [];

    /** @var array<string, list<string>> what it was made for */
    private array $ports = [];

    public function __construct(private readonly Sending $sending)
    {
    }

    /** What has been sent goes on, as long as the ports are the same. */
    public function adopt(TimecodeEntry $timecode, Plan $plan): void
    {
        $ports = [];
        foreach ($timecode->sends as $id) {
            $protocol = $plan->ports[$id]['protocol'] ?? null;
            if ($protocol !== null) {
                $ports[$protocol->value][] = $id;
            }
        }
        if ($ports === $this->ports) {
            return;
        }
        $this->ports = $ports;
        $this->forms = [];
        foreach ($ports as $word => $ids) {
            $protocol = Protocol::from($word);
            $this->forms[] = $protocol === Protocol::Midi
                ? new QuarterFramesOut($this->sending, $ids)
                : new FramesOut($this->sending, $protocol, $ids);
        }
    }

    public function dueAt(LiveTimecode $live, int $now): int
    {
        return min([\PHP_INT_MAX, ...array_map(static fn(TimecodeForm $form): int => $form->dueAt($live, $now), $this->forms)]);
    }

    public function send(LiveTimecode $live, int $now): void
    {
        foreach ($this->forms as $form) {
            $form->send($live, $now);
        }
    }
}
