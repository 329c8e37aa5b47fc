<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Recording;

/** Values of a point from the moment when writing began until it ended. */
final class RecordedSpan
{
    /** What has been the same for so many looks stood still; less, and it was on its way: senders say a few values a second. */
    private const STILL = 15;

    /** @var list<array{float, float}> time and value, wherever it changed */
    public array $samples = [];
    public float $to;
    private int $same = 0;

    public function __construct(public readonly float $from)
    {
        $this->to = $from;
    }

    /** @param list<array{float, float}> $samples time and value */
    public static function of(float $from, float $to, array $samples): self
    {
        $span = new self($from);
        $span->to = max($from, $to);
        $span->samples = $samples;

        return $span;
    }

    /** @return int how many values were added */
    public function add(float $at, float $value): int
    {
        $last = $this->samples === [] ? null : $this->samples[\count($this->samples) - 1];
        $before = $this->to;
        $this->to = max($this->to, $at);
        if ($last !== null && $last[1] === $value) {
            ++$this->same;

            return 0;
        }
        $stood = $last !== null && $this->same >= self::STILL && $before < $at;
        $this->same = 0;
        if ($stood) {
            $this->samples[] = [$before, $last[1]];
        }
        $this->samples[] = [$at, $value];

        return $stood ? 2 : 1;
    }

    /** It ends at a moment, which may have been a while ago: what came since is none of it. */
    public function end(float $at): void
    {
        $this->to = max($this->from, min($this->to, $at));
        while (\count($this->samples) > 1 && $this->samples[\count($this->samples) - 1][0] > $this->to) {
            array_pop($this->samples);
        }
        $last = $this->samples === [] ? null : $this->samples[\count($this->samples) - 1];
        if ($last !== null && $last[0] < $this->to) {
            $this->samples[] = [$this->to, $last[1]];
        }
    }
}
