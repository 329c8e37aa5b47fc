<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** The slots of an offered parameter have a value within a run, or come into it. */
final readonly class OfferedTrigger implements Trigger
{
    /** @param bool $entered whether it takes only that the run is entered; what stands there when a desk comes is no press */
    public function __construct(public Reference $point, public int $first, public int $last, public bool $entered)
    {
    }

    public static function kind(): string
    {
        return 'offered';
    }

    public static function label(): string
    {
        return 'An offered parameter has a value';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::whole('first', 'From value', 0, Ranged::HIGHEST),
            Field::whole('last', 'To value', 0, Ranged::HIGHEST),
            Field::flag('entered', 'Only as it comes into these', false),
        ];
    }

    public function keys(): array
    {
        return [PointChanged::key($this->point)];
    }

    public function take(Event $event): ?Taken
    {
        if (! $event instanceof PointChanged || ! \is_int($event->value) || ! $this->holds($event->value)) {
            return null;
        }
        if ($this->entered && (! \is_int($event->before) || $this->holds($event->before))) {
            return null;
        }

        return new Taken(
            $this->entered ? 1.0 : (float) $event->value,
            $this->entered ? 'takes that it came there' : 'takes its value',
        );
    }

    public function sample(): Event
    {
        return new PointChanged($this->point, $this->first, $this->first === 0 ? $this->last + 1 : $this->first - 1);
    }

    public function words(Wording $wording): string
    {
        return $wording->point($this->point->text()).($this->entered ? ' comes to ' : ' is ')
            .($this->first === $this->last ? "{$this->first}" : "{$this->first} to {$this->last}");
    }

    private function holds(int $value): bool
    {
        return $value >= $this->first && $value <= $this->last;
    }
}
