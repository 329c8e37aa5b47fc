<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A slot changes, or passes a level. */
final readonly class SlotTrigger implements Trigger
{
    public function __construct(public Reference $point, public ?int $rises = null, public ?int $falls = null)
    {
    }

    public static function kind(): string
    {
        return 'slot';
    }

    public static function label(): string
    {
        return 'A slot changes, or passes a level';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::whole('rises', 'Only where it rises to, 1 to 255; empty for any change', 1, 255, null, false),
            Field::whole('falls', 'Only where it falls to, 0 to 254', 0, 254, null, false),
        ];
    }

    public function keys(): array
    {
        return [PointChanged::key($this->point)];
    }

    public function take(Event $event): ?Taken
    {
        if (! $event instanceof PointChanged) {
            return null;
        }
        $level = (float) $event->value;
        $before = (float) $event->before;
        $hasRisen = $this->rises !== null && $before < $this->rises && $level >= $this->rises;
        $hasFallen = $this->falls !== null && $before > $this->falls && $level <= $this->falls;
        $isAny = $this->rises === null && $this->falls === null;

        return $isAny || $hasRisen || $hasFallen ? new Taken($level, 'takes its level') : null;
    }

    public function sample(): Event
    {
        return new PointChanged($this->point, $this->rises ?? $this->falls ?? 255, $this->rises === null ? 255 : 0);
    }

    public function words(Wording $wording): string
    {
        return $wording->point($this->point->text()).match (true) {
            $this->rises !== null => " rises to {$this->rises}",
            $this->falls !== null => " falls to {$this->falls}",
            default => ' changes',
        };
    }
}
