<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Universe\Hold;

/**
 * A person holds a slot or a parameter by hand: {"hold": "slot:palm-house/12", "value": 255, "seconds": 10};
 * parameters in their unit,
 * from 0 to 100 where they have none. Without a value it is released; "unlock": true reaches what is never driven.
 */
final readonly class HandHold implements Move
{
    private const LONGEST_SECONDS = 86_400.0;
    private const USUAL_SECONDS = 300.0;

    /** @param array<int, int|null> $levels by slot from 0; null releases it */
    public function __construct(
        private string $universeId,
        private array $levels,
        private float $seconds,
        private bool $isUnlocked = false,
    ) {
    }

    public static function field(): string
    {
        return 'hold';
    }

    public static function read(Fields $fields, Stage $stage): self
    {
        $reference = $fields->matching(
            'hold',
            '#^(slot|fixture):[a-z0-9-]{1,60}/[^\x00-\x1F]{1,240}$#uD',
            'Give slot:UNIVERSE/NUMBER or fixture:FIXTURE/PARAMETER.',
        );
        $seconds = $fields->within('seconds', 0.001, self::LONGEST_SECONDS, self::USUAL_SECONDS);
        $isSlot = str_starts_with($reference, 'slot:');
        if ($reference === '') {
            return new self('', [], $seconds);
        }
        [$id, $part] = explode('/', substr($reference, (int) strpos($reference, ':') + 1), 2);
        $placement = $isSlot ? null : $stage->show->patch()->find($id, $part);
        [$low, $high] = $isSlot ? [0.0, 255.0] : $placement?->placed->parameter->ends() ?? [0.0, 100.0];
        $value = $fields->has('value') ? $fields->within('value', $low, $high, $low) : null;
        $unlock = $fields->flag('unlock', false);
        if ($isSlot) {
            if (
                ! isset($stage->show->universes[$id])
                || preg_match('/^\d{1,3}$/D', $part) !== 1
                || (int) $part < 1
                || (int) $part > 512
            ) {
                $fields->fault(
                    'hold',
                    "there is no {$reference} in the show",
                    'Give a universe of the show and a slot from 1 to 512.',
                );
            }

            return new self($id, [(int) $part - 1 => $value === null ? null : (int) round($value)], $seconds);
        }
        if ($placement === null) {
            $fields->fault(
                'hold',
                "there is no {$reference} in the show",
                'Give a fixture of the show and one of its parameters.',
            );

            return new self('', [], $seconds);
        }
        $levels = [];
        $parameter = $placement->placed->parameter;
        foreach ($placement->levels($parameter->value($parameter->shareOf($value ?? $low))) as $slot => $level) {
            $levels[$slot] = $value === null ? null : $level;
        }

        return new self($placement->universeId, $levels, $seconds, $unlock);
    }

    public function play(Stage $stage, int $now): array
    {
        $until = $now + (int) round($this->seconds * 1e9);
        $holds = [];
        $packets = [];
        foreach ($this->levels as $slot => $level) {
            if ($level === null) {
                array_push($packets, ...$stage->junction->release($this->universeId, $slot, $slot, 'script', $now));
            } else {
                $holds[] = new Hold($slot, $level, 'script', $until, $this->isUnlocked);
            }
        }

        return $holds === [] ? $packets : [...$packets, ...$stage->junction->hold($this->universeId, $holds, $now)];
    }
}
