<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\Programme;
use NimbleJunction\Core\Programme\Times;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** What all looks and lists have in common: the fade time that is used where one has none of its own, and what lets go of all. */
final class Common extends PlanRoom implements Room
{
    private const USUAL = 2.0;

    private float $seconds = self::USUAL;
    private int $acts = 0;

    /**
     * @param \Closure(Reference, int|float|null, int|float|null): void $changed a point has another value, and had this one
     * @param \Closure(int): void $released all looks and lists are to go
     * @param \Closure(int, float, int): string $controlled a control of show control is set to so many per cent: why not, '' when it is done
     */
    public function __construct(
        private readonly \Closure $changed,
        private readonly \Closure $released,
        private readonly \Closure $controlled,
    ) {
        parent::__construct();
    }

    /** The common fade time. */
    public function seconds(): float
    {
        return $this->seconds;
    }

    public function kinds(): array
    {
        return ['programme'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function describe(Reference $reference): ?Point
    {
        if (! $this->plan->programme->has($reference)) {
            return null;
        }
        $name = ucfirst($this->plan->programme->said($reference));

        return $reference->id === Programme::FADE
            ? new Point($reference, $name, PointKind::Number, 0.0, Times::LONGEST, 's', isSet: true)
            : new Point($reference, $name, PointKind::Press, isPressed: true);
    }

    public function read(Reference $reference): ?float
    {
        return $reference->id === Programme::FADE ? $this->seconds : null;
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        if (str_starts_with($reference->id, Programme::CONTROL) && is_numeric($value)) {
            return ($this->controlled)((int) substr($reference->id, \strlen(Programme::CONTROL)), (float) $value, $now);
        }
        if ($reference->id !== Programme::FADE || ! is_numeric($value)) {
            return $reference->id === Programme::FADE
                ? 'it is a number of seconds from 0 to '.Times::LONGEST
                : 'it can only be pressed';
        }
        $before = $this->seconds;
        $this->seconds = max(0.0, min(Times::LONGEST, (float) $value));
        if ($before !== $this->seconds) {
            ++$this->acts;
            ($this->changed)($reference, $this->seconds, $before);
        }

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        if ($reference->id !== Programme::RELEASE) {
            return 'a time cannot be pressed';
        }
        ($this->released)($now);

        return '';
    }

    public function all(): iterable
    {
        foreach ([Programme::FADE, Programme::RELEASE] as $id) {
            $reference = Reference::parse("programme:{$id}");
            if ($reference !== null) {
                yield $reference;
            }
        }
    }

    public function key(): string
    {
        return 'programme';
    }

    public function revisions(): array
    {
        return $this->acts === 0 ? [] : [Programme::FADE => $this->acts];
    }

    public function kept(string $part, int $now): float
    {
        return $this->seconds;
    }

    public function restore(Stored $stored): void
    {
        $seconds = $stored->scalar(Programme::FADE);
        if (is_numeric($seconds)) {
            $this->seconds = max(0.0, min(Times::LONGEST, (float) $seconds));
            ++$this->acts;
        }
    }
}
