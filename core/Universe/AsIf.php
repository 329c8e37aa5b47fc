<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Control;
use NimbleJunction\Core\Merge\Merger;

/**
 * A universe as it would be if somebody of ours gave it something else, and nothing besides changed: it is looked at, and
 * nothing is sent.
 */
final readonly class AsIf
{
    /** @var string 512 bytes: what would be asked for, before the way out */
    public string $merged;

    private Merger $merger;
    private Control $control;
    private Explanation $explanation;

    /**
     * @param string $levels 512 bytes; 0 in slots that are not given
     * @param string $mask 512 bytes: 255 in the slots that are given; none where the owner gives nothing
     * @param int|null $priority 0 to 200; null joins whoever is in control
     * @param list<string> $ending owners that give nothing any more
     */
    public function __construct(
        private Universe $universe,
        string $owner,
        string $name,
        string $levels,
        string $mask,
        ?int $priority,
        array $ending = [],
    ) {
        $rules = $universe->rules();
        $this->merger = $rules->merger();
        $this->merger->reorder($universe->order());
        $layers = $universe->layers()->copied($this->merger);
        foreach ([...$ending, ...(trim($mask, "\0") === '' ? [$owner] : [])] as $one) {
            $layers->end($one);
        }
        if (trim($mask, "\0") !== '') {
            $layers->give($owner, $name, $levels, $mask, $priority, false, false);
            $layers->claim($owner, $mask);
        }
        $this->control = Control::among($universe->sources(), $layers->all(), $rules->chosen, $rules->wide);
        $this->merged = $this->control->merge(
            $this->merger,
            $universe->kept->below($this->control->hasSenders(), $rules->defaults),
        );
        $contributors = [...array_values($universe->sources()), ...$layers->all()];
        $this->explanation = new Explanation($rules, $this->merger, $this->control, $contributors, $universe->kept);
    }

    /** Who would give a slot its level, and why, in words. $slot is 0 to 511. */
    public function explain(int $slot): string
    {
        return $this->explanation->stages($slot, $this->merged, $this->universe->wayOut());
    }
}
