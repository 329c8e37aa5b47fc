<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\Recall;

/** Looks as points: the level of each, whether it is on, whether it is pressed. */
final class LookPoints extends PlanRoom
{
    public function __construct(private readonly Looks $looks)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['look'];
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

        return match ($reference->part) {
            '' => new Point($reference, $name, PointKind::Level, 0.0, Looks::FULL, '%', isSet: true, isPressed: true),
            'active' => new Point($reference, $name, PointKind::Switch, isSet: true, isPressed: true),
            default => new Point($reference, $name, PointKind::Switch, isSet: true),
        };
    }

    public function read(Reference $reference): int|float|null
    {
        if (! isset($this->plan->programme->looks[$reference->id])) {
            return null;
        }
        $level = $this->looks->level($reference->id);

        return $reference->part === '' ? $level : (int) ($level > 0.0);
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $look = $this->plan->programme->looks[$reference->id] ?? null;
        if ($look === null) {
            return 'there is no such look';
        }
        if (! is_numeric($value)) {
            return $reference->part === '' ? 'a look has a level from 0 to 100' : 'it is a switch: 0 or 1';
        }
        $isOn = (float) $value > 0.0;
        match (true) {
            $reference->part === '' => $this->looks->bring($look, max(0.0, min(Looks::FULL, (float) $value)), $now),
            $reference->part === 'pressed' && $isOn => $this->looks->pressed($look, $now),
            $reference->part === 'pressed' => $look->press === Recall::Momentary ? $this->looks->release($look->id, $now) : null,
            $isOn => $this->looks->isOn($look->id) ? null : $this->looks->recall($look, $now),
            default => $this->looks->release($look->id, $now),
        };

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $look = $this->plan->programme->looks[$reference->id] ?? null;
        if ($look === null) {
            return 'there is no such look';
        }
        if ($reference->part === 'pressed' || ($reference->part === '' && $look->press === Recall::Momentary)) {
            return 'it is on as long as it is pressed: set look:'.$look->id.'/pressed to 1, and to 0';
        }
        if ($reference->part === 'active' && $this->looks->isOn($look->id)) {
            $this->looks->release($look->id, $now);
        } else {
            $this->looks->pressed($look, $now);
        }

        return '';
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        $this->looks->release($reference->id, $now);

        return '';
    }

    public function all(): iterable
    {
        foreach (array_keys($this->plan->programme->looks) as $id) {
            foreach (['', '/active', '/pressed'] as $part) {
                $reference = Reference::parse("look:{$id}{$part}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }
}
