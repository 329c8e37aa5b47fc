<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Timeline\TimecodeEntry;
use NimbleJunction\Core\Timeline\Timelines as Document;

/** Time codes as points: where each is, whether it runs, how fast; and what can be pressed. */
final class TimecodePoints extends PlanRoom
{
    private const DAY = 86_400.0;

    public function __construct(private readonly Timecodes $timecodes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['timecode'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function describe(Reference $reference): ?Point
    {
        if (! $this->plan->timelines->has($reference)) {
            return null;
        }
        $name = ucfirst($this->plan->timelines->said($reference));

        return match ($reference->part) {
            'seconds' => new Point($reference, $name, PointKind::Number, 0.0, self::DAY, 's', isSet: true),
            'running' => new Point($reference, $name, PointKind::Switch, isSet: true, isPressed: true),
            'speed' => new Point($reference, $name, PointKind::Number, -Timecodes::FASTEST, Timecodes::FASTEST, isSet: true),
            'start', 'stop' => new Point($reference, $name, PointKind::Press, isPressed: true),
            default => new Point($reference, $name, PointKind::Text, isSet: true),
        };
    }

    public function read(Reference $reference): int|float|string|null
    {
        $live = $this->timecodes->live()[$reference->id] ?? null;

        return match (true) {
            $live === null => null,
            $reference->part === 'seconds' => round($live->at($this->timecodes->seenAt()), 3),
            $reference->part === 'running' => (int) $live->isRunning,
            $reference->part === 'speed' => $live->isOwn ? $live->ownSpeed : $live->speed,
            \in_array($reference->part, ['start', 'stop'], true) => null,
            default => $live->spelled($this->timecodes->seenAt()),
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $live = $this->timecodes->live()[$reference->id] ?? null;
        if ($live === null) {
            return 'there is no such time code';
        }
        if (\in_array($reference->part, ['start', 'stop'], true)) {
            return (float) $value > 0.0 ? $this->press($reference, $act, $now) : '';
        }
        if ($reference->part === 'running') {
            return $this->timecodes->own($live, $live->at($now), (float) $value > 0.0, $now);
        }
        if ($reference->part === 'speed') {
            return $this->timecodes->setSpeed($live, $value, $now);
        }
        $seconds = match (true) {
            $reference->part === 'seconds' => is_numeric($value) ? (float) $value : null,
            preg_match(TimecodeEntry::PATTERN, (string) $value) === 1 => Clocked::seconds(
                (string) $value,
                $live->timecode->frameRate(),
            ),
            default => null,
        };

        return $seconds === null || $seconds < 0.0 || $seconds >= self::DAY
            ? ($reference->part === 'seconds' ? 'it is a number of seconds, below 86400' : TimecodeEntry::RULE)
            : $this->timecodes->own($live, $seconds, $live->isOwn && $live->isRunning, $now);
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $live = $this->timecodes->live()[$reference->id] ?? null;

        return match (true) {
            $live === null => 'there is no such time code',
            $reference->part === 'start' => $this->timecodes->own($live, $live->at($now), true, $now),
            $reference->part === 'stop' => $this->timecodes->own($live, $live->at($now), false, $now),
            $reference->part === 'running' => $this->timecodes->own($live, $live->at($now), ! $live->isRunning, $now),
            default => 'it can be set, and not pressed',
        };
    }

    public function all(): iterable
    {
        foreach (array_keys($this->timecodes->live()) as $id) {
            foreach (Document::TIMECODE_PARTS as $part) {
                $reference = Reference::parse("timecode:{$id}".($part === '' ? '' : "/{$part}"));
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }
}
