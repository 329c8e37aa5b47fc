<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Universe\Hold;

/**
 * A person holds a slot or a parameter by hand: {"hold": "slot:palm-house/12", "value": 255, "seconds": 10};
 * parameters from 0 to 100. Without a value it is released.
 */
final readonly class HandHold implements Move
{
    private const LONGEST_SECONDS = 86_400.0;
    private const USUAL_SECONDS = 300.0;

    /** @param array<int, int|null> $levels by slot from 0; null releases it */
    public function __construct(private string $universeId, private array $levels, private float $seconds)
    {
    }

    public static function field(): string
    {
        return 'hold';
    }

    public static function read(Fields $fields, Stage $stage): self
    {
        $reference = $fields->matching(
            'hold',
            '#^(slot|fixture):[a-z0-9-]{1,60}/[^\x00-\x1F/]{1,120}$#uD',
            'Give slot:UNIVERSE/NUMBER or fixture:FIXTURE/PARAMETER.',
        );
        $seconds = $fields->within('seconds', 0.001, self::LONGEST_SECONDS, self::USUAL_SECONDS);
        $isSlot = str_starts_with($reference, 'slot:');
        $value = $fields->has('value') ? $fields->within('value', 0.0, $isSlot ? 255.0 : 100.0, 0.0) : null;
        if ($reference === '') {
            return new self('', [], $seconds);
        }
        [$id, $part] = explode('/', substr($reference, (int) strpos($reference, ':') + 1), 2);
        if ($isSlot) {
            if (! isset($stage->show->universes[$id]) || preg_match('/^\d{1,3}$/D', $part) !== 1 || (int) $part < 1 || (int) $part > 512) {
                $fields->fault('hold', "there is no {$reference} in the show", 'Give a universe of the show and a slot from 1 to 512.');
            }

            return new self($id, [(int) $part - 1 => $value === null ? null : (int) round($value)], $seconds);
        }
        $slots = $stage->show->patch()->slots($id, $part, ($value ?? 0.0) / 100);
        if ($slots === null) {
            $fields->fault('hold', "there is no {$reference} in the show", 'Give a fixture of the show and one of its parameters.');

            return new self('', [], $seconds);
        }
        $levels = [];
        foreach ($slots['levels'] as $slot => $level) {
            $levels[$slot - 1] = $value === null ? null : $level;
        }

        return new self($slots['universe'], $levels, $seconds);
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
                $holds[] = new Hold($slot, $level, 'script', $until);
            }
        }

        return $holds === [] ? $packets : [...$packets, ...$stage->junction->hold($this->universeId, $holds, $now)];
    }
}
