<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Signal\Message;

/** All values that somebody looks at over time. */
final class Probes
{
    public const MOST = 32;

    /** A hand that touches something moves no more slots of a universe than this. Our own choice. */
    private const MOST_TOUCHED = 64;
    private const FORGOTTEN_NANOS = 10_000_000_000;

    /** @var array<string, Probe> by key */
    private array $probes = [];

    /** @var array<string, array<string, Probe>> those of slots by universe, those of messages by port and address */
    private array $byHolder = [];

    /** @var array<string, array{Probe, int|float|null}> those of points, with the value that they had last, by key */
    private array $ofPoints = [];

    public function __construct(
        public readonly Learning $learning = new Learning(),
        public readonly SlotLearning $slots = new SlotLearning(),
        public readonly Touches $touches = new Touches(),
        public readonly SlotLearning $touched = new SlotLearning(self::MOST_TOUCHED),
    ) {
    }

    /** The probe for a subject, or null when too many are watched already. */
    public function watch(Subject $subject, int $now): ?Probe
    {
        $key = $subject->key();
        $probe = $this->probes[$key] ?? null;
        if ($probe === null) {
            $this->prune($now);
            if (\count($this->probes) >= self::MOST) {
                return null;
            }
            $probe = $this->probes[$key] = new Probe($subject, $now);
            if ($subject->point === null) {
                $this->byHolder["{$subject->holder} {$subject->address}"][$key] = $probe;
            } else {
                $this->ofPoints[$key] = [$probe, null];
            }
        }
        $probe->askedAt = $now;

        return $probe;
    }

    /**
     * A frame for a universe arrived, or it changed.
     *
     * @param string $levels 512 bytes
     */
    public function levels(string $universeId, string $levels, int $now): void
    {
        $this->slots->levels($universeId, $levels, $now);
        $this->touched->levels($universeId, $levels, $now);
        if ($this->byHolder === []) {
            return;
        }
        foreach ($this->byHolder["{$universeId} "] ?? [] as $probe) {
            $probe->arrived((float) \ord($levels[$probe->subject->place]), $now);
        }
    }

    public function message(string $portId, Message $message, int $now): void
    {
        $this->learning->heard($portId, $message, $now);
        if ($this->byHolder === []) {
            return;
        }
        foreach ($this->byHolder["{$portId} {$message->address()}"] ?? [] as $probe) {
            $number = $message->number($probe->subject->place);
            if ($number !== null) {
                $probe->arrived((float) $number, $now);
            }
        }
    }

    /** A turn is over: points that have another value now. What has no number has no curve. */
    public function points(Readings $readings, int $now): void
    {
        foreach ($this->ofPoints as $key => [$probe, $before]) {
            $value = $probe->subject->point === null ? null : $readings->read($probe->subject->point);
            if ($value !== $before && (\is_int($value) || \is_float($value))) {
                $probe->arrived((float) $value, $now);
                $this->ofPoints[$key][1] = $value;
            }
        }
    }

    /** Takes away what nobody looks at any more. */
    public function prune(int $now): void
    {
        foreach ($this->probes as $key => $probe) {
            if ($now - $probe->askedAt > self::FORGOTTEN_NANOS) {
                unset(
                    $this->probes[$key],
                    $this->ofPoints[$key],
                    $this->byHolder["{$probe->subject->holder} {$probe->subject->address}"][$key],
                );
            }
        }
        $this->byHolder = array_filter($this->byHolder);
    }
}
